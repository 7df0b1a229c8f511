import { say } from '../../core/index'
import { z } from './zod'
import { idSchema, isoDateSchema } from './fields'
import { errorText } from './problems'

/** Check-ins due between two days. */
export const calendarQuerySchema = z
  .object({ from: isoDateSchema, to: isoDateSchema })
  .refine(({ from, to }) => from <= to, {
    ...errorText(say('fields.to'), say('fields.dayBeforeFirst')),
    path: ['to'],
  })

export const calendarSchema = z.object({
  today: isoDateSchema,
  entries: z.array(
    z.object({
      clientId: idSchema,
      name: z.string(),
      dueOn: isoDateSchema,
      moved: z.boolean(),
    }),
  ),
  /** When clients come. */
  appointments: z.array(
    z.object({
      id: idSchema,
      clientId: idSchema,
      name: z.string(),
      startsAt: z.string(),
      minutes: z.number(),
      words: z.string(),
    }),
  ),
})
export type Calendar = z.infer<typeof calendarSchema>

import { z } from './zod'
import { idSchema, isoDateSchema } from './fields'
import { errorText } from './problems'

/** Check-ins due between two days. */
export const calendarQuerySchema = z
  .object({ from: isoDateSchema, to: isoDateSchema })
  .refine(({ from, to }) => from <= to, {
    ...errorText('To', 'a day not before the first'),
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
})
export type Calendar = z.infer<typeof calendarSchema>

import { z } from './zod'
import { clientSummarySchema } from './clients'
import { isoDateSchema } from './fields'

export const todayEntrySchema = z.object({
  client: clientSummarySchema,
  lastMeasuredOn: isoDateSchema.nullable(),
  state: z.enum(['first', 'coming', 'due', 'late']),
  dueOn: isoDateSchema.nullable(),
  daysPast: z.number().nullable(),
  /** The check-in that is under way, with how many readings it has so far. */
  open: z.object({ id: z.string(), readings: z.number(), startedAt: z.string() }).nullable(),
})
export type TodayEntry = z.infer<typeof todayEntrySchema>

export const todaySchema = z.object({ today: isoDateSchema, entries: z.array(todayEntrySchema) })
export type Today = z.infer<typeof todaySchema>

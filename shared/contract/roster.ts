import { ROSTER_SAYS, ROSTER_STATES } from './choices'
import { z } from './zod'
import { clientSummarySchema } from './clients'
import { choice, freeText, isoDateSchema } from './fields'
import { errorText } from './problems'
import { saidSchema } from './verdicts'

export const ROSTER_SORTS = ['name', 'due', 'last', 'says'] as const
const page = errorText('Page', 'a whole number from 1')

/** What a roster is asked for. */
export const rosterQuerySchema = z.object({
  search: freeText('Search', 80).default(''),
  state: choice('State', ROSTER_STATES).optional(),
  says: choice('Says', ROSTER_SAYS).optional(),
  sort: choice('Sort', ROSTER_SORTS).default('name'),
  descending: z.stringbool(errorText('Descending', 'true or false')).default(false),
  page: z.coerce.number(page).int(page).min(1, page).max(1_000_000, page).default(1),
})
export type RosterQuery = z.output<typeof rosterQuerySchema>

export const rosterEntrySchema = z.object({
  client: clientSummarySchema,
  lastMeasuredOn: isoDateSchema.nullable(),
  dueOn: isoDateSchema.nullable(),
  checkIns: z.number(),
  state: z.enum(ROSTER_STATES),
  /** What the record says; null before the first check-in, and until it is judged. */
  said: saidSchema.nullable(),
})
export type RosterEntry = z.infer<typeof rosterEntrySchema>

export const rosterSchema = z.object({
  entries: z.array(rosterEntrySchema),
  /** How many there are on all pages. */
  total: z.number(),
  page: z.number(),
})
export type Roster = z.infer<typeof rosterSchema>

import { z } from 'zod'
import { clientSummarySchema } from './clients'
import { isoDateSchema } from './ids'

export const ROSTER_STATES = ['under way', 'late', 'due', 'first', 'coming', 'archived'] as const
export const ROSTER_SORTS = ['name', 'due', 'last'] as const
export const ROSTER_PAGE = 50

/** What a roster is asked for. */
export const rosterQuerySchema = z.object({
  search: z
    .string()
    .trim()
    .max(80, 'Search: is too long. Accepted: up to 80 characters.')
    .catch(''),
  state: z.enum(ROSTER_STATES).optional().catch(undefined),
  sort: z.enum(ROSTER_SORTS).catch('name'),
  descending: z.stringbool().catch(false),
  page: z.coerce.number().int().min(1).catch(1),
})
export type RosterQuery = z.output<typeof rosterQuerySchema>

export const rosterEntrySchema = z.object({
  client: clientSummarySchema,
  lastMeasuredOn: isoDateSchema.nullable(),
  dueOn: isoDateSchema.nullable(),
  checkIns: z.number(),
  state: z.enum(ROSTER_STATES),
})
export type RosterEntry = z.infer<typeof rosterEntrySchema>

export const rosterSchema = z.object({
  entries: z.array(rosterEntrySchema),
  /** How many there are on all pages. */
  total: z.number(),
  page: z.number(),
})
export type Roster = z.infer<typeof rosterSchema>

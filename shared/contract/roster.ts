import { say } from '../../core/index'
import { ROSTER_SAYS, ROSTER_STATES } from './choices'
import { z } from './zod'
import { clientSummarySchema } from './clients'
import { choice, freeText, isoDateSchema } from './fields'
import { errorText } from './problems'
import { saidSchema } from './verdicts'

export const ROSTER_SORTS = ['name', 'due', 'last', 'says'] as const
const page = errorText(say('fields.page'), say('fields.wholeNumber1'))

/** What a roster is asked for. */
export const rosterQuerySchema = z.object({
  search: freeText(say('fields.search'), 80).default(''),
  state: choice(say('fields.state'), ROSTER_STATES).optional(),
  says: choice(say('fields.says'), ROSTER_SAYS).optional(),
  tag: freeText(say('fields.tag'), 40).optional(),
  sort: choice(say('fields.sort'), ROSTER_SORTS).default('name'),
  descending: z
    .stringbool(errorText(say('fields.descending'), say('fields.trueFalse')))
    .default(false),
  page: z.coerce.number(page).int(page).min(1, page).max(1_000_000, page).default(1),
})
export type RosterQuery = z.output<typeof rosterQuerySchema>

export const rosterEntrySchema = z.object({
  client: clientSummarySchema,
  lastMeasuredOn: isoDateSchema.nullable(),
  dueOn: isoDateSchema.nullable(),
  checkIns: z.number(),
  state: z.enum(ROSTER_STATES),
  tags: z.array(z.string()),
  /** What the record says; null before the first check-in, and until it is judged. */
  said: saidSchema.nullable(),
})
export type RosterEntry = z.infer<typeof rosterEntrySchema>

export const rosterSchema = z.object({
  entries: z.array(rosterEntrySchema),
  /** How many there are on all pages. */
  total: z.number(),
  page: z.number(),
  /** Every tag that a client has, by name. */
  tags: z.array(z.string()),
})
export type Roster = z.infer<typeof rosterSchema>

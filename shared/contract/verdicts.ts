import { HEADLINE_RULES } from '../../core/index'
import { z } from './zod'
import { isoDateSchema } from './fields'

const changeSchema = z.object({
  quantity: z.string(),
  change: z.number(),
  sd: z.number(),
  interval: z.tuple([z.number(), z.number()]),
  verdict: z.enum(['clear', 'likely', 'no-change', 'not-yet']),
})

/** What heads a record, as data: see the core's `Headline`. */
const headlineSchema = z.object({
  rule: z.enum(HEADLINE_RULES),
  horizon: z.enum(['first', 'phase', 'last']),
  since: isoDateSchema.optional(),
  weeks: z.number(),
  changes: z.array(changeSchema),
  percentAWeek: z.number().optional(),
  readableFrom: isoDateSchema.optional(),
})

/** What was said of a record at its newest check-in. */
export const saidSchema = z.object({
  date: isoDateSchema,
  /** By what the client measured themselves: nobody else has. */
  bySelf: z.boolean().default(false),
  headline: headlineSchema,
  /** What the plan has and the record does not, in kg, mm or cm; where a plan says so. */
  short: z.object({ quantity: z.string(), by: z.number() }).nullable(),
})
export type Said = z.infer<typeof saidSchema>

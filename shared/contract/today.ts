import { LOOK_AT, WORTH_TELLING, say, INSTRUMENT_KINDS } from '../../core/index'
import { backupConcernSchema } from './backups'
import { z } from './zod'
import { clientSummarySchema } from './clients'
import { choice, freeText, idSchema, isoDateSchema } from './fields'
import { saidSchema } from './verdicts'

/** Somebody to measure. */
export const todayEntrySchema = z.object({
  client: clientSummarySchema,
  lastMeasuredOn: isoDateSchema.nullable(),
  state: z.enum(['first', 'coming', 'due', 'late']),
  dueOn: isoDateSchema.nullable(),
  daysPast: z.number().nullable(),
  /** When they come today; null where no appointment says so. */
  comesAt: z.string().nullable(),
  /** The check-in that is under way, with how many readings it has so far. */
  open: z.object({ id: z.string(), readings: z.number(), startedAt: z.string() }).nullable(),
})
export type TodayEntry = z.infer<typeof todayEntrySchema>

/** Something about a client that the coach can be done with. */
export const todayItemSchema = z.object({
  client: z.object({ id: z.string(), name: z.string(), hasPlan: z.boolean() }),
  item: choice(say('fields.item'), [...LOOK_AT, ...WORTH_TELLING]),
  /** What it is about: another text is something new. */
  about: z.string(),
  /** What the record says, where that is what it is about. */
  said: saidSchema.nullable(),
  /** The newest check-in. */
  checkInId: z.string().nullable(),
  /** Days past the date of the check-in that is due. */
  daysPast: z.number().nullable(),
  /** The newest check-in was taken with an instrument that is out of tolerance. */
  inDoubt: z.boolean(),
  /** Of weigh-ins that came in: on how many days, and the mean of the last seven, kg. */
  report: z.object({ days: z.number(), meanKg: z.number() }).nullable(),
})
export type TodayItem = z.infer<typeof todayItemSchema>

const items = z.object({ shown: z.array(todayItemSchema), all: z.number() })
const entries = z.object({ shown: z.array(todayEntrySchema), all: z.number() })

export const todaySchema = z.object({
  today: isoDateSchema,
  /** Nobody was ever put on record: the first start. */
  empty: z.boolean(),
  /** Clients who are not archived. */
  clients: z.number(),
  look: items,
  tell: items,
  measure: entries,
  week: entries,
  /** Clients of whom there is nothing to do. */
  rest: z.number(),
  /** Instruments that are out of tolerance, or to be checked. */
  instruments: z.array(
    z.object({
      ...{ id: z.string(), name: z.string(), kind: z.enum(INSTRUMENT_KINDS) },
      what: z.enum(['out', 'overdue', 'soon']),
      lastOn: isoDateSchema.nullable(),
      /** Until the check is due, where it comes. */
      days: z.number().nullable(),
    }),
  ),
  /** What backups ask for. */
  backups: backupConcernSchema,
  /** Records that are not judged yet. */
  pending: z.number(),
})
export type Today = z.infer<typeof todaySchema>

/** What a coach is done with, or takes up again. */
export const todayDoneSchema = z.object({
  clientId: idSchema,
  about: freeText(say('fields.about'), 120),
  done: z.boolean(),
})
export type TodayDone = z.infer<typeof todayDoneSchema>

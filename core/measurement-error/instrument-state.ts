import { type Reading, readingsInForce } from '../readings/reading'
import { type Message, dayValue, num, say } from '../say'
import { type IsoDate, daysBetween } from '../units/dates'
import { type CheckPoint, type InstrumentKind, checkOverdue, judgeCheck } from './instrument-check'

/*
 * What an instrument's checks say over time: whether it may be trusted today, since when it may not, how it drifts, and
 * how its readings would be put right.
 */

/** A check against something known, on a day. */
export interface DatedCheck {
  checkedOn: IsoDate
  points: readonly CheckPoint[]
}

/** An instrument with its checks, newest first. */
export interface CheckedInstrument {
  kind: InstrumentKind
  graduation: number | null
  checks: readonly DatedCheck[]
}

const passed = ({ kind, graduation }: CheckedInstrument, { points }: DatedCheck) =>
  judgeCheck(kind, points, graduation).passed

/** Whether an instrument is out of tolerance by its newest check; one that was never checked is not. */
export function isOutOfTolerance(instrument: CheckedInstrument): boolean {
  const [newest] = instrument.checks
  return newest !== undefined && !passed(instrument, newest)
}

/** Between which checks an instrument went out of tolerance. */
export interface InstrumentDoubt {
  /** Of the check that it failed. */
  foundOn: IsoDate
  /** Of the last good check before that; null where none was. */
  lastGoodOn: IsoDate | null
}

/**
 * Why what an instrument read on a day is in doubt: it failed the next check. On the day of a good check it is not.
 *
 * @returns undefined where it is not
 */
export function doubtOn(instrument: CheckedInstrument, on: IsoDate): InstrumentDoubt | undefined {
  const { checks } = instrument
  // The first check on or after that day says how it was; where there is none, the newest one.
  const next = checks.findLastIndex(({ checkedOn }) => checkedOn >= on)
  const telling = Math.max(next, 0)
  const found = checks[telling]
  if (!found || passed(instrument, found)) return undefined
  const good = checks.slice(telling + 1).find((check) => passed(instrument, check))
  return { foundOn: found.checkedOn, lastGoodOn: good?.checkedOn ?? null }
}

/** How far off an instrument read at each known width, check by check. */
export interface DriftLine {
  known: number
  /** Oldest first; mm, cm or kg. */
  points: { on: IsoDate; off: number }[]
}

/** How an instrument drifts: a line for each known gap, length or mass that was ever checked. */
export function driftOf(checks: readonly DatedCheck[]): DriftLine[] {
  const lines = new Map<number, DriftLine>()
  for (const { checkedOn, points } of [...checks].reverse()) {
    for (const { known, read } of points) {
      const line = lines.get(known) ?? { known, points: [] }
      lines.set(known, line)
      line.points.push({ on: checkedOn, off: read - known })
    }
  }
  return [...lines.values()].sort((a, b) => a.known - b.known)
}

/**
 * A reading put right by a check: what was off at the two known widths about it, in a straight line between them, and as
 * at the nearest one beyond the ends.
 *
 * @param points one or more
 * @param read in the unit of the instrument
 */
export function correctedReading(points: readonly CheckPoint[], read: number): number {
  const sorted = [...points].sort((a, b) => a.read - b.read)
  const [first, last] = [sorted[0]!, sorted.at(-1)!]
  if (read <= first.read) return read + first.known - first.read
  if (read >= last.read) return read + last.known - last.read
  const at = sorted.findIndex((point) => point.read >= read)
  const [low, high] = [sorted[at - 1]!, sorted[at]!]
  const share = high.read === low.read ? 0 : (read - low.read) / (high.read - low.read)
  return read + (1 - share) * (low.known - low.read) + share * (high.known - high.read)
}

/** From so many days before a check is due it is said. Judgement, no source. */
const SAID_BEFORE_DAYS = 7

/** What is to be done about an instrument today: it is out, its check is overdue, or is due within the week. */
export function instrumentDue(
  instrument: CheckedInstrument & { checkEveryDays: number },
  today: IsoDate,
): { what: 'out' | 'overdue' } | { what: 'soon'; days: number } | undefined {
  if (isOutOfTolerance(instrument)) return { what: 'out' }
  const last = instrument.checks[0]?.checkedOn ?? null
  if (checkOverdue(last, instrument.checkEveryDays, today)) return { what: 'overdue' }
  const days = instrument.checkEveryDays - daysBetween(last!, today)
  return days <= SAID_BEFORE_DAYS ? { what: 'soon', days } : undefined
}

/** An instrument among those of a gym. */
export interface GymInstrument extends CheckedInstrument {
  id: string
  retired: boolean
  isCorrected: boolean
}

/** An instrument that may be proposed: in use, and not out of tolerance unless its readings are put right. */
const mayBeProposed = (instrument: GymInstrument) =>
  !instrument.retired && (instrument.isCorrected || !isOutOfTolerance(instrument))

/**
 * The instrument that a check-in is begun with: the one in use, unless it is out of tolerance or put away; then another
 * of its kind.
 *
 * @param inUse its id; null where none was in use
 * @returns null where none may be proposed: whoever measures chooses one
 */
export function proposedInstrument(
  all: readonly GymInstrument[],
  kind: InstrumentKind,
  inUse: string | null,
): string | null {
  if (inUse === null) return null
  const ofKind = all.filter((instrument) => instrument.kind === kind && mayBeProposed(instrument))
  return (ofKind.find(({ id }) => id === inUse) ?? ofKind[0])?.id ?? null
}

/** How far from nothing a closed caliper or an empty scale may read: half of what a check allows. Judgement, no source. */
const ZERO_ALLOWED: Record<InstrumentKind, number> = {
  caliper: 0.25,
  tape: 0.15,
  'bone-caliper': 0.05,
  scale: 0.1,
}

/** Whether what an instrument reads closed or empty is near enough to nothing. */
export const isZero = (kind: InstrumentKind, read: number): boolean =>
  Math.abs(read) <= ZERO_ALLOWED[kind] + 1e-9

/** What is said beside a result whose readings were put right; undefined where none was. */
export function correctionsSaid(readings: readonly Reading[]): Message | undefined {
  const by = readingsInForce(readings).flatMap(({ correctedBy, kind }) =>
    correctedBy ? [{ by: correctedBy, kind }] : [],
  )
  if (by.length === 0) return undefined
  const of = (kinds: readonly string[]) => by.filter(({ kind }) => kinds.includes(kind))
  const folds = of(['skinfold']).map((one) => one.by)
  if (folds.length === 0) return say('precision.correctedOther', { count: by.length })
  return say('precision.correctedFolds', {
    ...{ count: by.length, low: num(Math.min(...folds), 1), high: num(Math.max(...folds), 1) },
  })
}

/** What is said of a verdict that stands on an instrument in doubt. */
export const doubtSaid = (name: string, { foundOn, lastGoodOn }: InstrumentDoubt): Message =>
  lastGoodOn === null
    ? say('precision.doubtEver', { name, day: dayValue(foundOn, true) })
    : say('precision.doubtSince', {
        ...{ name, day: dayValue(foundOn, true), since: dayValue(lastGoodOn, true) },
      })

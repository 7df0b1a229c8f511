import { type Message, num, say } from '../say'
import { type IsoDate, addDays, daysBetween } from '../units/dates'

/** A bone caliper is whatever reads breadths and lengths of bones. */
export const INSTRUMENT_KINDS = ['caliper', 'tape', 'bone-caliper', 'scale'] as const
export type InstrumentKind = (typeof INSTRUMENT_KINDS)[number]

/** What an instrument read against something known: mm for calipers, cm for tapes and bone calipers, kg for scales. */
export interface CheckPoint {
  known: number
  read: number
}

export const INSTRUMENT_UNITS: Record<InstrumentKind, string> = {
  caliper: 'mm',
  tape: 'cm',
  'bone-caliper': 'cm',
  scale: 'kg',
}

/** How far off one point may be: a graduation, or this where none is known. Judgement, no source. */
const ALLOWED: Record<InstrumentKind, number> = {
  caliper: 0.5,
  tape: 0.3,
  'bone-caliper': 0.1,
  scale: 0.2,
}

/** Gaps, lengths and masses that a check usually stands on. Common practice, no source. */
export const USUAL_POINTS: Record<InstrumentKind, number[]> = {
  caliper: [10, 20, 30, 40],
  tape: [30, 60, 100],
  'bone-caliper': [5, 10, 20],
  scale: [5, 10, 20],
}

export interface CheckVerdict {
  passed: boolean
  /** The largest difference, read less known, in the unit of the instrument. */
  worst: number
  /** In words. */
  words: Message
}

/**
 * Judges an instrument's check: every point must be within one graduation of what is known.
 *
 * @param points one or more
 * @param graduation smallest step of its scale, in its unit
 */
export function judgeCheck(
  kind: InstrumentKind,
  points: readonly CheckPoint[],
  graduation: number | null,
): CheckVerdict {
  const allowed = Math.max(graduation ?? 0, ALLOWED[kind])
  const unit = INSTRUMENT_UNITS[kind]
  const off = points.map(({ known, read }) => read - known)
  const worst = off.reduce((a, b) => (Math.abs(b) > Math.abs(a) ? b : a), 0)
  const passed = Math.abs(worst) <= allowed + 1e-9
  const far = say('precision.text', {
    worst: num(Math.abs(worst), 2),
    unit,
    worst2: worst > 0 ? say('precision.tooMuch') : say('precision.tooLittle'),
  })
  const oneWay = off.length > 1 && off.every((d) => Math.sign(d) === Math.sign(worst) && d !== 0)
  if (worst === 0) return { passed, worst, words: say('precision.readsTrueEveryPoint') }
  if (passed) return { passed, worst, words: say('precision.withinMost', { allowed, unit, far }) }
  return {
    passed,
    worst,
    words: say('precision.readsMore', {
      far,
      allowed,
      unit,
      oneWay: oneWay
        ? say('precision.offOneWayEveryWidth')
        : say('precision.offUnevenlyHaveServicedBefore'),
    }),
  }
}

/**
 * Whether an instrument's check is overdue.
 *
 * @returns null while it is good, else why not, in words
 */
export function checkOverdue(
  lastCheckedOn: IsoDate | null,
  everyDays: number,
  today: IsoDate,
): Message | null {
  if (lastCheckedOn === null) return say('precision.neverChecked')
  const over = daysBetween(addDays(lastCheckedOn, everyDays), today)
  if (over <= 0) return null
  return say('precision.checkOverdueDayCheckOverdue', { count: over })
}

import type { CheckInErrors } from '../change/model/client-record'
import { sumPerKgOfFat } from '../composition/fold-sum'
import { Z95 } from '../measurement-error/site-error'

/** The pace that is assumed where none is planned: fat, as a share of body mass a week. Judgement. */
const USUAL_PACE_SHARE_A_WEEK = 0.005

/**
 * The interval after which a planned pace exceeds what the hand can tell.
 *
 * @param paceAWeek planned change a week, in the unit of the smallest real change; its sign does not matter
 * @returns whole days, or undefined without a pace
 */
export function readableAfterDays(
  minimalDetectableChange: number,
  paceAWeek: number,
): number | undefined {
  const pace = Math.abs(paceAWeek)
  if (!(pace > 0) || !Number.isFinite(minimalDetectableChange)) return undefined
  return Math.ceil((7 * minimalDetectableChange) / pace)
}

/** When it is worth measuring again, and by what. */
export interface NextMeasuring {
  days: number
  by: 'fatMass' | 'sum'
  /** kg or mm a week. */
  pace: number
  minimalDetectableChange: number
}

/** How far one check-in may be off, and the pace that is to be seen. */
export interface Readable {
  errors: CheckInErrors
  /** Body mass now, kg. */
  massKg: number | undefined
  /** Planned change of fat a week, kg; half a per cent of body mass where not said. */
  fatPaceKg?: number
}

/**
 * When to measure next: once the pace of fat has outgrown what two such check-ins can tell apart at 95 %, in fat mass, or
 * in the sum where no mass was taken.
 *
 * @returns undefined where neither can be told
 */
export function nextMeasuring({ errors, massKg, fatPaceKg }: Readable): NextMeasuring | undefined {
  const pace = fatPaceKg ?? (massKg === undefined ? undefined : USUAL_PACE_SHARE_A_WEEK * massKg)
  if (pace === undefined) return undefined
  const { fatKg, sumMm, folds } = errors
  const by = fatKg === undefined ? ('sum' as const) : ('fatMass' as const)
  const error = fatKg ?? sumMm
  if (error === undefined) return undefined
  const inUnit = by === 'fatMass' ? pace : pace * sumPerKgOfFat(folds)
  const minimalDetectableChange = Z95 * Math.SQRT2 * error
  const days = readableAfterDays(minimalDetectableChange, inUnit)
  return days === undefined ? undefined : { days, by, pace: inUnit, minimalDetectableChange }
}

import type { Judgement } from '../change/judgement'
import { sumPerKgOfFat } from '../composition/fold-sum'

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

/**
 * When to measure next: once the pace of fat has outgrown this hand's smallest real change of fat mass, or of the sum
 * where no mass was taken.
 *
 * @param massKg body mass now, kg
 * @param fatPaceKg planned change of fat a week, kg; half a per cent of body mass where not said
 * @returns undefined where neither can be told
 */
export function nextMeasuring(
  { quantities, sumFolds }: Pick<Judgement, 'quantities' | 'sumFolds'>,
  massKg: number | undefined,
  fatPaceKg?: number,
): NextMeasuring | undefined {
  const pace = fatPaceKg ?? (massKg === undefined ? undefined : USUAL_PACE_SHARE_A_WEEK * massKg)
  if (pace === undefined) return undefined
  const { fatMass, sum } = quantities
  const by = fatMass ? ('fatMass' as const) : ('sum' as const)
  const verdict = fatMass ?? sum
  if (!verdict) return undefined
  const inUnit = fatMass ? pace : pace * sumPerKgOfFat(sumFolds.length)
  const { minimalDetectableChange } = verdict
  const days = readableAfterDays(minimalDetectableChange, inUnit)
  return days === undefined ? undefined : { days, by, pace: inUnit, minimalDetectableChange }
}

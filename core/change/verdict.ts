import { errorFunction } from 'simple-statistics'
import { Z95 } from '../measurement-error/site-error'

/** How sure a change is, in four steps. */
export type Certainty = 'clear' | 'likely' | 'no change' | 'cannot tell'

/** Standard errors beyond which a change is clear: 99 in 100 unchanged clients read less. */
export const CLEAR_AT = 2.58
/** Standard errors beyond which a change is likely: 90 in 100 unchanged clients read less. */
const LIKELY_AT = 1.64

/** A change with what it is worth. */
export interface Verdict {
  /** Later less earlier, in the unit of the quantity. */
  change: number
  standardError: number
  /** 95 % interval of the true change. */
  interval: [low: number, high: number]
  /** 1.96 standard errors. */
  minimalDetectableChange: number
  /** What a change has to reach to matter. */
  worthwhile: number
  certainty: Certainty
}

/** A change before it is judged. */
export interface MeasuredChange {
  change: number
  standardError: number
  worthwhile: number
}

/** Chance that somebody who did not change reads as far off as this or farther, on either side. */
export function twoSidedP(standardErrors: number): number {
  return 1 - errorFunction(Math.abs(standardErrors) / Math.SQRT2)
}

/**
 * Holm's step-down correction for judging several changes at once.
 * Holm S, Scand J Stat 1979;6:65-70 (from memory).
 *
 * @param p chances as if each stood alone
 * @returns corrected, in the order given
 */
export function holmAdjusted(p: readonly number[]): number[] {
  const order = p.map((_, i) => i).sort((a, b) => p[a]! - p[b]!)
  const corrected = new Array<number>(p.length)
  let largest = 0
  order.forEach((i, rank) => {
    largest = Math.max(largest, Math.min(1, p[i]! * (p.length - rank)))
    corrected[i] = largest
  })
  return corrected
}

function judge({ change, standardError, worthwhile }: MeasuredChange, chance: number): Verdict {
  const reach = Z95 * standardError
  const interval: [number, number] = [change - reach, change + reach]
  const certainty: Certainty =
    chance < twoSidedP(CLEAR_AT)
      ? 'clear'
      : chance < twoSidedP(LIKELY_AT)
        ? 'likely'
        : Math.max(Math.abs(interval[0]), Math.abs(interval[1])) <= worthwhile
          ? 'no change'
          : 'cannot tell'
  return { change, standardError, interval, minimalDetectableChange: reach, worthwhile, certainty }
}

/**
 * Judges one change: clear beyond 2.58 standard errors, likely beyond 1.64, no change that matters where the whole 95 %
 * interval is inside the amount that matters, else it cannot be told.
 */
export function verdictOn(measured: MeasuredChange): Verdict {
  return judge(measured, twoSidedP(measured.change / measured.standardError))
}

/** Judges changes of several sites with their number in mind: one in a hundred by chance over all of them together. */
export function verdictsOn(family: readonly MeasuredChange[]): Verdict[] {
  const corrected = holmAdjusted(family.map((m) => twoSidedP(m.change / m.standardError)))
  return family.map((measured, i) => judge(measured, corrected[i]!))
}

/*
 * What a change has to reach to matter. Judgement, no source: about what a coach would change a plan for.
 */
const PER_FOLD_OF_A_SUM_MM = 1.5
export const SMALLEST_WORTHWHILE_CHANGE = {
  fatPercent: 1.5,
  fatMass: 1,
  leanMass: 2,
  mass: 2,
  recomposition: 2.5,
  /** One fold, mm. */
  fold: 3,
  /** One girth, cm: half an inch. */
  girth: 1.3,
} as const

/** What a change of the sum of so many folds has to reach to matter, mm. */
export function smallestWorthwhileChangeOfSum(folds: number): number {
  return PER_FOLD_OF_A_SUM_MM * folds
}

/** Which way a quantity went, as far as can be told. */
export type Direction = 'down' | 'up' | 'held' | 'unclear' | 'absent'

/** True for a change that can be named, whichever way. */
export const moved = (direction: Direction) => direction === 'down' || direction === 'up'

export function directionOf(verdict: Verdict | undefined): Direction {
  if (!verdict) return 'absent'
  if (verdict.certainty === 'no change') return 'held'
  if (verdict.certainty === 'cannot tell') return 'unclear'
  return verdict.change < 0 ? 'down' : 'up'
}

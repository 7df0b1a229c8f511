import { errorFunction } from 'simple-statistics'
import { Z95 } from '../measurement-error/site-error'

/** How sure a change is, in four steps. */
export type Sureness = 'clear' | 'likely' | 'no change' | 'cannot tell'

/** Standard errors beyond which a change is clear: 99 in 100 unchanged clients read less. */
export const CLEAR_AT = 2.58
/** Standard errors beyond which a change is likely: 90 in 100 unchanged clients read less. */
export const LIKELY_AT = 1.64

/** A change with what it is worth. */
export interface Verdict {
  /** Later less earlier, in the unit of the quantity. */
  change: number
  standardError: number
  /** 95 % interval of the true change. */
  interval: [low: number, high: number]
  /** 1.96 standard errors. */
  smallestRealChange: number
  /** What a change has to reach to matter. */
  matters: number
  sureness: Sureness
}

/** A change before it is judged. */
export interface MeasuredChange {
  change: number
  standardError: number
  matters: number
}

/** Chance that somebody who did not change reads as far off as this or farther, on either side. */
export function twoSided(standardErrors: number): number {
  return 1 - errorFunction(Math.abs(standardErrors) / Math.SQRT2)
}

/**
 * Holm's step-down correction for judging several changes at once.
 * Holm S, Scand J Stat 1979;6:65-70 (from memory).
 *
 * @param p chances as if each stood alone
 * @returns corrected, in the order given
 */
export function holm(p: readonly number[]): number[] {
  const order = p.map((_, i) => i).sort((a, b) => p[a]! - p[b]!)
  const corrected = new Array<number>(p.length)
  let largest = 0
  order.forEach((i, rank) => {
    largest = Math.max(largest, Math.min(1, p[i]! * (p.length - rank)))
    corrected[i] = largest
  })
  return corrected
}

function judge({ change, standardError, matters }: MeasuredChange, chance: number): Verdict {
  const reach = Z95 * standardError
  const interval: [number, number] = [change - reach, change + reach]
  const sureness: Sureness =
    chance < twoSided(CLEAR_AT)
      ? 'clear'
      : chance < twoSided(LIKELY_AT)
        ? 'likely'
        : Math.max(Math.abs(interval[0]), Math.abs(interval[1])) <= matters
          ? 'no change'
          : 'cannot tell'
  return { change, standardError, interval, smallestRealChange: reach, matters, sureness }
}

/**
 * Judges one change: clear beyond 2.58 standard errors, likely beyond 1.64, no change that matters where the whole 95 %
 * interval is inside the amount that matters, else it cannot be told.
 */
export function verdictOn(measured: MeasuredChange): Verdict {
  return judge(measured, twoSided(measured.change / measured.standardError))
}

/** Judges changes of several sites with their number in mind: one in a hundred by chance over all of them together. */
export function verdictsOn(family: readonly MeasuredChange[]): Verdict[] {
  const corrected = holm(family.map((m) => twoSided(m.change / m.standardError)))
  return family.map((measured, i) => judge(measured, corrected[i]!))
}

/*
 * What a change has to reach to matter. Judgement, no source: about what a coach would change a plan for.
 */
const PER_FOLD_OF_A_SUM_MM = 1.5
export const MATTERS = {
  fatPercent: 1.5,
  fatMass: 1,
  leanMass: 2,
  mass: 2,
  netSwing: 2.5,
  /** One fold, mm. */
  fold: 3,
  /** One girth, cm: half an inch. */
  girth: 1.3,
} as const

/** What a change of the sum of so many folds has to reach to matter, mm. */
export function sumThatMatters(folds: number): number {
  return PER_FOLD_OF_A_SUM_MM * folds
}

/** Which way a quantity went, as far as can be told. */
export type Direction = 'down' | 'up' | 'held' | 'unclear' | 'absent'

export function directionOf(verdict: Verdict | undefined): Direction {
  if (!verdict) return 'absent'
  if (verdict.sureness === 'no change') return 'held'
  if (verdict.sureness === 'cannot tell') return 'unclear'
  return verdict.change < 0 ? 'down' : 'up'
}

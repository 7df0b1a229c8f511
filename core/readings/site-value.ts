import { mean, median } from 'simple-statistics'
import type { Tolerance, TrialValue } from '../protocols/trial-scheme'

/** How a site's value came about. */
export type ValueMethod = 'single' | 'mean' | 'agreeing pair' | 'median'

export interface SiteValue {
  /** mm for folds, cm for girths, unrounded. */
  value: number
  method: ValueMethod
  /** The trials that the value stands on, ascending. */
  used: number[]
  /** How many trials were taken. */
  taken: number
  /** True when the trials do not settle it: apart with no third, or no pair of three that agrees. */
  flagged: boolean
}

/** Readings are decimal: 12.1 - 10.1 must count as 2, not as 2.0000000000000018. */
const BINARY_TAIL = 1e-9

/** How far two trials about a value may be apart, in its unit; for a percentage never less than `atLeast`. */
export const allowedAt = (tolerance: Tolerance, value: number): number =>
  tolerance.kind === 'percent'
    ? Math.max((tolerance.value / 100) * value, tolerance.atLeast ?? 0)
    : tolerance.value

/**
 * True when two trials are no further apart than the protocol allows. For a percentage the mean of the two is the base,
 * and never less than `atLeast`.
 *
 * @param a first trial (mm or cm)
 * @param b second trial, in the same unit
 */
export function agree(a: number, b: number, tolerance: Tolerance): boolean {
  return Math.abs(a - b) <= allowedAt(tolerance, (a + b) / 2) + BINARY_TAIL
}

/**
 * The value of a site from its trials, whatever their order: one trial as it is, the mean of two, and of more by the
 * scheme: the mean of all, their median, or the mean of the two that are closest. Where no two agree the value is
 * flagged; where two pairs are equally close, or the closest do not agree, the closest two give way to the median.
 * Common practice, no source.
 *
 * @param trials one or more readings in one unit, none of them thrown away
 * @param gives what three trials or more give
 * @returns undefined without trials
 */
export function siteValue(
  trials: readonly number[],
  tolerance: Tolerance,
  gives: TrialValue = 'closest two',
): SiteValue | undefined {
  const sorted = [...trials].sort((a, b) => a - b)
  const taken = sorted.length
  const [low, high] = sorted
  if (low === undefined) return undefined
  if (high === undefined)
    return { value: low, method: 'single', used: sorted, taken, flagged: false }
  const pairs = sorted.slice(1).map((upper, i) => [sorted[i]!, upper] as const)
  const flagged = !pairs.some(([a, b]) => agree(a, b, tolerance))
  if (taken === 2 || gives === 'mean') {
    return { value: mean(sorted), method: 'mean', used: sorted, taken, flagged }
  }
  const middle = { value: median(sorted), method: 'median' as const, used: sorted, taken }
  if (gives === 'median') return { ...middle, flagged }
  const closest = pairs.reduce((best, pair) => (gapOf(pair) < gapOf(best) ? pair : best))
  const rival = pairs.some((p) => p !== closest && gapOf(p) - gapOf(closest) <= BINARY_TAIL)
  if (flagged || rival) return { ...middle, flagged: true }
  const used = [...closest]
  return { value: mean(used), method: 'agreeing pair', used, taken, flagged: false }
}

const gapOf = ([low, high]: readonly [number, number]) => high - low

import { mean, median } from 'simple-statistics'
import type { Tolerance } from '../protocols/types'

/** How a site's value came about. */
export type ValueMethod = 'single' | 'mean' | 'agreeing pair' | 'median'

export interface SiteValue {
  /** mm for folds, cm for girths, unrounded. */
  value: number
  method: ValueMethod
  /** The trials that the value stands on, ascending. */
  used: number[]
  /** True when the trials do not settle it: apart with no third, or a median of three. */
  flagged: boolean
}

/**
 * True when two trials are no further apart than the protocol allows. For a percentage the mean of the two is the base.
 *
 * @param a first trial (mm or cm)
 * @param b second trial, in the same unit
 */
export function agree(a: number, b: number, tolerance: Tolerance): boolean {
  const apart = Math.abs(a - b)
  const allowed =
    tolerance.kind === 'mm' ? tolerance.value : (tolerance.value / 100) * ((a + b) / 2)
  // Readings are decimal: 12.1 - 10.1 must count as 2, not as 2.0000000000000018.
  return apart <= allowed + 1e-9
}

/**
 * The value of a site from its trials, whatever their order: one trial as it is, the mean of two, and of three the
 * mean of the pair that agrees. Where no pair of three agrees, or two pairs are equally close, the median, flagged.
 * More than three trials: the median.
 *
 * American textbook rule (mean of the agreeing pair) with the median of three of international practice as the
 * tie-breaker; common practice, no source.
 *
 * @param trials one or more readings in one unit
 * @returns undefined without trials
 */
export function siteValue(trials: readonly number[], tolerance: Tolerance): SiteValue | undefined {
  const sorted = [...trials].sort((a, b) => a - b)
  const [low, middle, high] = sorted
  if (low === undefined) return undefined
  if (middle === undefined) return { value: low, method: 'single', used: sorted, flagged: false }
  if (high === undefined) {
    return {
      value: mean(sorted),
      method: 'mean',
      used: sorted,
      flagged: !agree(low, middle, tolerance),
    }
  }
  if (sorted.length === 3) {
    const lowGap = middle - low
    const highGap = high - middle
    // A tie of decimal readings must not be decided by the last bit.
    if (Math.abs(lowGap - highGap) > 1e-9) {
      const pair = lowGap < highGap ? [low, middle] : [middle, high]
      if (agree(pair[0]!, pair[1]!, tolerance)) {
        return { value: mean(pair), method: 'agreeing pair', used: pair, flagged: false }
      }
    }
  }
  return { value: median(sorted), method: 'median', used: sorted, flagged: true }
}

import { mean, median } from 'simple-statistics'
import type { ThirdTrialRule, Tolerance } from '../protocols/types'

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

/**
 * True when two trials are no further apart than the protocol allows. For a percentage the mean of the two is the base,
 * and never less than `atLeast`.
 *
 * @param a first trial (mm or cm)
 * @param b second trial, in the same unit
 */
export function agree(a: number, b: number, tolerance: Tolerance): boolean {
  const allowed =
    tolerance.kind === 'percent'
      ? Math.max((tolerance.value / 100) * ((a + b) / 2), tolerance.atLeast ?? 0)
      : tolerance.value
  return Math.abs(a - b) <= allowed + BINARY_TAIL
}

/**
 * The value of a site from its trials, whatever their order: one trial as it is, the mean of two, and of three by the
 * standard's rule. American and gym practice take the mean of the pair that agrees; where no pair does, or two pairs are
 * equally close, the median, flagged. International practice takes the median of three. More than three trials: the
 * median. Common practice, no source.
 *
 * @param trials one or more readings in one unit
 * @param rule what three trials give
 * @returns undefined without trials
 */
export function siteValue(
  trials: readonly number[],
  tolerance: Tolerance,
  rule: ThirdTrialRule = 'agreeing pair',
): SiteValue | undefined {
  const sorted = [...trials].sort((a, b) => a - b)
  const taken = sorted.length
  const [low, middle, high] = sorted
  if (low === undefined) return undefined
  if (middle === undefined)
    return { value: low, method: 'single', used: sorted, taken, flagged: false }
  if (high === undefined) {
    const flagged = !agree(low, middle, tolerance)
    return { value: mean(sorted), method: 'mean', used: sorted, taken, flagged }
  }
  const someAgree = agree(low, middle, tolerance) || agree(middle, high, tolerance)
  if (taken === 3 && rule === 'agreeing pair') {
    const [lowGap, highGap] = [middle - low, high - middle]
    if (Math.abs(lowGap - highGap) > BINARY_TAIL && someAgree) {
      const used = lowGap < highGap ? [low, middle] : [middle, high]
      return { value: mean(used), method: 'agreeing pair', used, taken, flagged: false }
    }
    return { value: middle, method: 'median', used: sorted, taken, flagged: true }
  }
  return { value: median(sorted), method: 'median', used: sorted, taken, flagged: !someAgree }
}

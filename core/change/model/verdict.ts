import { Z95 } from '../../measurement-error/site-error'
import { CLEAR_ODDS, LIKELY_ODDS, STILL_ODDS } from './figures'

/** How sure it is that something moved. */
export type RecordVerdict = 'clear' | 'likely' | 'no-change' | 'not-yet'

/** A change over a horizon, judged. */
export interface JudgedChange {
  /** Later less earlier, in the unit of the quantity. */
  change: number
  sd: number
  /** 95 % of the true change. */
  interval: [low: number, high: number]
  /** Odds that it moved at all against that it did not; undefined since last time, where none are asked. */
  odds?: number
  verdict: RecordVerdict
}

/** 95 % of a normal distribution. */
export function interval95(mean: number, variance: number): [low: number, high: number] {
  const reach = Z95 * Math.sqrt(variance)
  return [mean - reach, mean + reach]
}

/**
 * Judges a change by its odds. By Ville's inequality somebody who did not move reaches odds of 20 in at most one phase of
 * twenty, however often one looks, as long as the model holds. Ville J, Étude critique de la notion de collectif, 1939
 * (from memory).
 *
 * @param matters what it has to reach to matter
 */
export function judged(
  { mean, variance }: { mean: number; variance: number },
  matters: number,
  odds?: number,
): JudgedChange {
  const sd = Math.sqrt(variance)
  const interval = interval95(mean, variance)
  const small = Math.max(Math.abs(interval[0]), Math.abs(interval[1])) <= matters
  const verdict =
    odds !== undefined && odds >= CLEAR_ODDS
      ? 'clear'
      : odds !== undefined && odds >= LIKELY_ODDS
        ? 'likely'
        : small && (odds ?? 0) <= STILL_ODDS
          ? 'no-change'
          : 'not-yet'
  return { change: mean, sd, interval, ...(odds === undefined ? {} : { odds }), verdict }
}

/** Which way a change goes, where it is clear that it goes one way: down, up, or nothing. */
export function wayOf({ verdict, interval }: JudgedChange): -1 | 0 | 1 {
  if (verdict !== 'clear') return 0
  return interval[1] < 0 ? -1 : interval[0] > 0 ? 1 : 0
}

import { type Message, say } from '../say'
import type { SiteId } from '../anatomy/ids'

/** Trials of one site that read less and less: the jaws press the fluid out of the fold. */
export interface CompressionDrift {
  kind: 'compression drift'
  site: SiteId
  /** First trial less the last, mm. */
  drop: number
  message: Message
}

/** A drop of this many standard errors of two trials is more than repeating explains. */
const BEYOND = 1.64

/**
 * Compression drift: three trials or more, each less than the one before, and a drop beyond what repeating explains.
 * The value of the site does not change for it; the advice is to rotate and wait.
 *
 * @param trials in the order they were taken, mm
 * @param repeatError technical error of one trial at one mark, mm
 */
export function findCompressionDrift(
  site: SiteId,
  trials: readonly number[],
  repeatError: number,
): CompressionDrift | undefined {
  if (trials.length < 3) return undefined
  const falling = trials.every((trial, i) => i === 0 || trial < trials[i - 1]!)
  const drop = trials[0]! - trials.at(-1)!
  if (!falling || drop <= BEYOND * Math.SQRT2 * repeatError) return undefined
  return {
    kind: 'compression drift',
    site,
    drop,
    message: say('findings.smallerEachTimeJawsPress'),
  }
}

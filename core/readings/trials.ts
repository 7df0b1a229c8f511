import { type SiteId, isSkinfold } from '../anatomy/ids'
import { isSamePlace } from '../anatomy/landmark-standards'
import type { TrialScheme } from '../protocols/trial-scheme'
import type { Protocol } from '../protocols/types'
import { placeOf } from '../protocols/wording'
import { type Reading, readingsInForce } from './reading'
import { agree } from './site-value'

/** How a site is taken and what its trials give. */
export const schemeOf = (
  { foldTrials, girthTrials }: Pick<Protocol, 'foldTrials' | 'girthTrials'>,
  site: SiteId,
): TrialScheme => (isSkinfold(site) ? foldTrials : girthTrials)

/** Trials of one site by trial, in the protocol's standard; a trial not taken yet is undefined. */
export function trialsOf(
  readings: readonly Reading[],
  site: SiteId,
  protocol: Protocol,
): (number | undefined)[] {
  return trialsIn(readingsInForce(readings), site, protocol)
}

/** As `trialsOf`, of readings that are known to be in force. @param valueOf what of a reading is wanted, as it was read */
export function trialsIn(
  inForce: readonly Reading[],
  site: SiteId,
  protocol: Protocol,
  valueOf = (reading: Reading) => reading.value,
): (number | undefined)[] {
  const place = placeOf(protocol, site)
  const trials: (number | undefined)[] = []
  for (const reading of inForce) {
    // Trial 0 is thrown away.
    if (reading.trial > 0 && isSamePlace(reading, place)) {
      trials[reading.trial - 1] = valueOf(reading)
    }
  }
  return Array.from(trials)
}

/** The first reading of a site that is taken and thrown away, where the set does so. */
export function thrownAwayIn(
  inForce: readonly Reading[],
  site: SiteId,
  protocol: Protocol,
): number | undefined {
  const place = placeOf(protocol, site)
  return inForce.find((reading) => reading.trial === 0 && isSamePlace(reading, place))?.value
}

/**
 * How far apart the trials of a site are, where they are further than the scheme allows and one more is wanted: the two
 * that are furthest apart when the scheme's trials are in, and after that the two that are closest, since any two that
 * agree settle it.
 *
 * @returns in the unit of the trials; undefined where nothing more is wanted
 */
export function trialsApart(
  trials: readonly (number | undefined)[],
  { count, most, tolerance }: TrialScheme,
): number | undefined {
  const taken = trials.filter((trial) => trial !== undefined).sort((a, b) => a - b)
  if (count < 2 || taken.length < count || taken.length >= most) return undefined
  const pairs = taken.slice(1).map((high, i) => [taken[i]!, high] as const)
  if (taken.length === count) {
    const [low, high] = [taken[0]!, taken.at(-1)!]
    return agree(low, high, tolerance) ? undefined : high - low
  }
  if (pairs.some(([low, high]) => agree(low, high, tolerance))) return undefined
  return Math.min(...pairs.map(([low, high]) => high - low))
}

/** True when the trials of the scheme are in and do not agree, so that one more is wanted. */
export const wantsAnotherTrial = (
  trials: readonly (number | undefined)[],
  scheme: TrialScheme,
): boolean => trialsApart(trials, scheme) !== undefined

import { type SiteId, isSkinfold } from '../anatomy/ids'
import { standardOfSite } from '../protocols/registry'
import type { Protocol, Tolerance } from '../protocols/types'
import { type Reading, readingsInForce } from './reading'
import { agree } from './site-value'

/** How often a site is taken and how far apart its trials may be. */
export function rulesOf(
  protocol: Protocol,
  site: SiteId,
): { rounds: number; tolerance: Tolerance } {
  return isSkinfold(site)
    ? { rounds: protocol.rounds, tolerance: protocol.tolerance }
    : { rounds: protocol.girthRounds, tolerance: protocol.girthTolerance }
}

/** Trials of one site by trial, in the protocol's standard; a trial not taken yet is undefined. */
export function trialsOf(
  readings: readonly Reading[],
  site: SiteId,
  protocol: Protocol,
): (number | undefined)[] {
  return trialsIn(readingsInForce(readings), site, protocol)
}

/** As `trialsOf`, of readings that are known to be in force. */
export function trialsIn(
  inForce: readonly Reading[],
  site: SiteId,
  protocol: Protocol,
): (number | undefined)[] {
  const standard = isSkinfold(site) ? standardOfSite(protocol, site) : null
  const trials: (number | undefined)[] = []
  for (const reading of inForce) {
    if (reading.site === site && (standard === null || reading.standard === standard)) {
      trials[reading.trial - 1] = reading.value
    }
  }
  return Array.from(trials)
}

/** True when the rounds of the protocol are in and two of the trials do not agree, so that one more is wanted. */
export function wantsAnotherTrial(
  trials: readonly (number | undefined)[],
  { rounds, tolerance }: Pick<Protocol, 'rounds' | 'tolerance'>,
): boolean {
  const taken = trials.filter((trial) => trial !== undefined)
  if (rounds < 2 || taken.length !== rounds) return false
  return taken.some((a, i) => taken.slice(i + 1).some((b) => !agree(a, b, tolerance)))
}

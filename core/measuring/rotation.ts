import type { Sex, SkinfoldId } from '../anatomy/ids'
import type { Protocol } from '../protocols/types'
import { readingsInForce, type Reading } from './readings'
import { agree, siteValue, type SiteValue } from './site-value'

/** The next box to fill: a site and its pass. */
export interface FoldStep {
  site: SkinfoldId
  pass: number
}

/** Trials of one site by pass; a pass not taken yet is undefined. */
export function trialsOf(
  readings: readonly Reading[],
  site: SkinfoldId,
  protocol: Protocol,
): (number | undefined)[] {
  const trials: (number | undefined)[] = []
  for (const reading of readingsInForce(readings)) {
    if (
      reading.kind === 'skinfold' &&
      reading.site === site &&
      reading.school === protocol.school
    ) {
      trials[reading.pass - 1] = reading.value
    }
  }
  return Array.from(trials)
}

/** True when the passes of the protocol are in and no two of the trials agree, so that one more is wanted. */
export function wantsAnotherTrial(
  trials: readonly (number | undefined)[],
  protocol: Protocol,
): boolean {
  const taken = trials.filter((trial) => trial !== undefined)
  if (taken.length < protocol.passes || taken.length > protocol.passes) return false
  return taken.some((a, i) => taken.slice(i + 1).some((b) => !agree(a, b, protocol.tolerance)))
}

/**
 * What to measure next: every site once in order, then all again, then one more at each site whose pair is further
 * apart than the protocol allows. Rotating gives each fold time to recover from the jaws.
 *
 * @param readings all readings of the check-in, superseded ones included
 * @returns undefined when the folds are complete
 */
export function nextFold(
  protocol: Protocol,
  sex: Sex,
  readings: readonly Reading[],
): FoldStep | undefined {
  const sites = protocol.folds[sex]
  const trials = new Map(sites.map((site) => [site, trialsOf(readings, site, protocol)]))
  for (let pass = 1; pass <= protocol.passes; pass++) {
    const site = sites.find((s) => trials.get(s)![pass - 1] === undefined)
    if (site) return { site, pass }
  }
  const apart = sites.find((site) => wantsAnotherTrial(trials.get(site)!, protocol))
  return apart && { site: apart, pass: protocol.passes + 1 }
}

/**
 * The value of every site that has a trial.
 *
 * @returns by site id; mm
 */
export function foldValues(
  protocol: Protocol,
  sex: Sex,
  readings: readonly Reading[],
): Partial<Record<SkinfoldId, SiteValue>> {
  const values: Partial<Record<SkinfoldId, SiteValue>> = {}
  for (const site of protocol.folds[sex]) {
    const taken = trialsOf(readings, site, protocol).filter((trial) => trial !== undefined)
    const value = siteValue(taken, protocol.tolerance)
    if (value) values[site] = value
  }
  return values
}

/** The body mass in force, kg, or undefined when the scale was not used. */
export function massOf(readings: readonly Reading[]): number | undefined {
  return readingsInForce(readings).findLast((reading) => reading.kind === 'mass')?.value
}

import { mean } from 'simple-statistics'
import { isSkinfold, type GirthId, type Sex, type SiteId, type SkinfoldId } from '../anatomy/ids'
import { schoolOfSite } from '../protocols/registry'
import type { Protocol, Tolerance } from '../protocols/types'
import { readingsInForce, type Reading } from './reading'
import { agree, siteValue, type SiteValue } from './site-value'

/** The next box to fill: a site and its pass. */
export interface SiteStep<S extends SiteId = SiteId> {
  site: S
  pass: number
}

export type FoldStep = SiteStep<SkinfoldId>

/** The sites of one kind of stage and how often and how closely they are taken. */
interface Round<S extends SiteId> {
  sites: S[]
  passes: number
  tolerance: Tolerance
}

function foldRound(protocol: Protocol, sex: Sex): Round<SkinfoldId> {
  return { sites: protocol.folds[sex], passes: protocol.passes, tolerance: protocol.tolerance }
}

function girthRound(protocol: Protocol, sex: Sex): Round<GirthId> {
  const { girthPasses, girthTolerance } = protocol
  return { sites: protocol.girths[sex], passes: girthPasses, tolerance: girthTolerance }
}

/** How often a site is taken and how far apart its trials may be. */
export function rulesOf(
  protocol: Protocol,
  site: SiteId,
): { passes: number; tolerance: Tolerance } {
  return isSkinfold(site)
    ? { passes: protocol.passes, tolerance: protocol.tolerance }
    : { passes: protocol.girthPasses, tolerance: protocol.girthTolerance }
}

/** Trials of one site by pass, in the protocol's school; a pass not taken yet is undefined. */
export function trialsOf(
  readings: readonly Reading[],
  site: SiteId,
  protocol: Protocol,
): (number | undefined)[] {
  return trialsIn(readingsInForce(readings), site, protocol)
}

/** As `trialsOf`, of readings that are known to be in force. */
function trialsIn(
  inForce: readonly Reading[],
  site: SiteId,
  protocol: Protocol,
): (number | undefined)[] {
  const school = isSkinfold(site) ? schoolOfSite(protocol, site) : null
  const trials: (number | undefined)[] = []
  for (const reading of inForce) {
    if (reading.site === site && (school === null || reading.school === school)) {
      trials[reading.pass - 1] = reading.value
    }
  }
  return Array.from(trials)
}

/** True when the passes of the protocol are in and two of the trials do not agree, so that one more is wanted. */
export function wantsAnotherTrial(
  trials: readonly (number | undefined)[],
  { passes, tolerance }: Pick<Protocol, 'passes' | 'tolerance'>,
): boolean {
  const taken = trials.filter((trial) => trial !== undefined)
  if (passes < 2 || taken.length !== passes) return false
  return taken.some((a, i) => taken.slice(i + 1).some((b) => !agree(a, b, tolerance)))
}

function nextIn<S extends SiteId>(
  { sites, passes, tolerance }: Round<S>,
  protocol: Protocol,
  readings: readonly Reading[],
  passed: ReadonlySet<string>,
): SiteStep<S> | undefined {
  const wanted = sites.filter((site) => !passed.has(site))
  const inForce = readingsInForce(readings)
  const trials = new Map(wanted.map((site) => [site, trialsIn(inForce, site, protocol)]))
  for (let pass = 1; pass <= passes; pass++) {
    const site = wanted.find((s) => trials.get(s)![pass - 1] === undefined)
    if (site) return { site, pass }
  }
  const apart = wanted.find((site) => wantsAnotherTrial(trials.get(site)!, { passes, tolerance }))
  return apart && { site: apart, pass: passes + 1 }
}

const NOBODY: ReadonlySet<string> = new Set()

/**
 * What fold to take next: every site once in order, then all again, then one more at each site whose pair is further
 * apart than the protocol allows. Rotating gives each fold time to recover from the jaws.
 *
 * @param readings all readings of the check-in, superseded ones included
 * @param skipped sites that are left out
 * @returns undefined when the folds are complete
 */
export function nextFold(
  protocol: Protocol,
  sex: Sex,
  readings: readonly Reading[],
  skipped: ReadonlySet<string> = NOBODY,
): FoldStep | undefined {
  return nextIn(foldRound(protocol, sex), protocol, readings, skipped)
}

/** What girth to take next, by the same rotation. */
export function nextGirth(
  protocol: Protocol,
  sex: Sex,
  readings: readonly Reading[],
  skipped: ReadonlySet<string> = NOBODY,
): SiteStep<GirthId> | undefined {
  return nextIn(girthRound(protocol, sex), protocol, readings, skipped)
}

/**
 * The value of every site of the protocol that has a trial.
 *
 * @returns by site id; mm for folds, cm for girths
 */
export function siteValues(
  protocol: Protocol,
  sex: Sex,
  readings: readonly Reading[],
): Partial<Record<SiteId, SiteValue>> {
  const values: Partial<Record<SiteId, SiteValue>> = {}
  const inForce = readingsInForce(readings)
  for (const site of [...protocol.folds[sex], ...protocol.girths[sex]]) {
    const taken = trialsIn(inForce, site, protocol).filter((trial) => trial !== undefined)
    const value = siteValue(taken, rulesOf(protocol, site).tolerance, protocol.thirdTrial)
    if (value) values[site] = value
  }
  return values
}

/** Body height of a check-in, cm: the mean of its height readings in force; undefined when it was not taken. */
export function heightOf(readings: readonly Reading[]): number | undefined {
  const taken = readingsInForce(readings).filter((reading) => reading.kind === 'height')
  return taken.length ? mean(taken.map(({ value }) => value)) : undefined
}

/** The body mass in force, kg, or undefined when the scale was not used. */
export function massOf(readings: readonly Reading[]): number | undefined {
  return readingsInForce(readings).findLast((reading) => reading.kind === 'mass')?.value
}

import type { GirthId, Sex, SiteId, SkinfoldId } from '../anatomy/ids'
import type { Protocol, Tolerance } from '../protocols/types'
import { type Reading, readingsInForce } from './reading'
import { trialsIn, wantsAnotherTrial } from './trials'

/** The next box to fill: a site and its trial. */
export interface SiteStep<S extends SiteId = SiteId> {
  site: S
  trial: number
}

export type FoldStep = SiteStep<SkinfoldId>

/** The sites of one kind of stage and how often and how closely they are taken. */
interface Round<S extends SiteId> {
  sites: S[]
  rounds: number
  tolerance: Tolerance
}

function foldRound(protocol: Protocol, sex: Sex): Round<SkinfoldId> {
  return { sites: protocol.folds[sex], rounds: protocol.rounds, tolerance: protocol.tolerance }
}

function girthRound(protocol: Protocol, sex: Sex): Round<GirthId> {
  const { girthRounds, girthTolerance } = protocol
  return { sites: protocol.girths[sex], rounds: girthRounds, tolerance: girthTolerance }
}

function nextIn<S extends SiteId>(
  { sites, rounds, tolerance }: Round<S>,
  protocol: Protocol,
  readings: readonly Reading[],
  passed: ReadonlySet<string>,
): SiteStep<S> | undefined {
  const wanted = sites.filter((site) => !passed.has(site))
  const inForce = readingsInForce(readings)
  const trials = new Map(wanted.map((site) => [site, trialsIn(inForce, site, protocol)]))
  for (let trial = 1; trial <= rounds; trial++) {
    const site = wanted.find((s) => trials.get(s)![trial - 1] === undefined)
    if (site) return { site, trial }
  }
  const apart = wanted.find((site) => wantsAnotherTrial(trials.get(site)!, { rounds, tolerance }))
  return apart && { site: apart, trial: rounds + 1 }
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

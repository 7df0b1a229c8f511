import type { BoneId, GirthId, Sex, SiteId, SkinfoldId } from '../anatomy/ids'
import type { TrialScheme } from '../protocols/trial-scheme'
import type { Protocol } from '../protocols/types'
import { type Reading, readingsInForce } from './reading'
import { thrownAwayIn, trialsIn, wantsAnotherTrial } from './trials'

/** The next box to fill: a site and its trial. */
export interface SiteStep<S extends SiteId = SiteId> {
  site: S
  trial: number
}

export type FoldStep = SiteStep<SkinfoldId>

/**
 * The trial that a site wants next: first one to throw away where the scheme has that, then those that are always
 * taken, then one more while they do not agree.
 */
function nextTrial(
  trials: readonly (number | undefined)[],
  thrownAway: number | undefined,
  scheme: TrialScheme,
): number | undefined {
  if (scheme.dropsFirst && thrownAway === undefined && trials.length === 0) return 0
  for (let trial = 1; trial <= scheme.count; trial++) {
    if (trials[trial - 1] === undefined) return trial
  }
  return wantsAnotherTrial(trials, scheme) ? trials.length + 1 : undefined
}

function nextIn<S extends SiteId>(
  sites: readonly S[],
  scheme: TrialScheme,
  protocol: Protocol,
  readings: readonly Reading[],
  passed: ReadonlySet<string>,
): SiteStep<S> | undefined {
  const inForce = readingsInForce(readings)
  const steps = sites.flatMap((site): SiteStep<S>[] => {
    if (passed.has(site)) return []
    const thrownAway = thrownAwayIn(inForce, site, protocol)
    const trial = nextTrial(trialsIn(inForce, site, protocol), thrownAway, scheme)
    return trial === undefined ? [] : [{ site, trial }]
  })
  if (scheme.order === 'one site') return steps[0]
  // Round by round: of the sites that are behind, the first.
  const round = Math.min(...steps.map(({ trial }) => trial))
  return steps.find(({ trial }) => trial === round)
}

const NOBODY: ReadonlySet<string> = new Set()

/**
 * What fold to take next. In rounds: every site once in order, then all again, then one more at each site whose trials
 * are further apart than the protocol allows; rotating gives each fold time to recover from the jaws. One site at a
 * time: all of that at a site before the next.
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
  return nextIn(protocol.folds[sex], protocol.foldTrials, protocol, readings, skipped)
}

/** What girth to take next, by the same rule. */
export function nextGirth(
  protocol: Protocol,
  sex: Sex,
  readings: readonly Reading[],
  skipped: ReadonlySet<string> = NOBODY,
): SiteStep<GirthId> | undefined {
  return nextIn(protocol.girths[sex], protocol.girthTrials, protocol, readings, skipped)
}

/** What breadth or length to take next, by the same rule. */
export function nextBone(
  protocol: Protocol,
  sex: Sex,
  readings: readonly Reading[],
  skipped: ReadonlySet<string> = NOBODY,
): SiteStep<BoneId> | undefined {
  return nextIn(protocol.bones[sex], protocol.girthTrials, protocol, readings, skipped)
}

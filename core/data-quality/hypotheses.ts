import type { SiteId } from '../anatomy/ids'
import {
  AGAINST,
  type EntryErrorContext,
  type EntryErrorKind,
  type QuestionedReading,
  type SuggestedValue,
} from './finding'
import { meaningsOf, throughoutOf } from './meanings'
import { type Trials, logCauchy } from './likelihood'

/** One entry error that could have made the sheet what it is. */
export interface Hypothesis {
  kind: EntryErrorKind
  sites: SiteId[]
  /** Trials of the sites as they would have been; none left is a site that was not measured. */
  replaced: Map<SiteId, number[]>
  readings: QuestionedReading[]
  suggestions: SuggestedValue[]
  /** Log density of what the error itself typed, beside that of the readings as they would have been. */
  typed: number
}

/** Log odds against a hypothesis beforehand: what is done in every trial is done more often than in one alone. */
export function againstOf({ kind, readings }: Hypothesis): number {
  if (kind === 'swap' && readings.length > 2) return AGAINST.swap - IN_EVERY_TRIAL.swap
  if (kind === 'repeated site' && readings.length > 1) {
    return AGAINST[kind] - IN_EVERY_TRIAL['repeated site']
  }
  return AGAINST[kind]
}
const IN_EVERY_TRIAL = { swap: 0.6, 'repeated site': 2.5 }

const replacedAt = (values: readonly number[], index: number, value: number) =>
  values.map((v, i) => (i === index ? value : v))

const suggestedFor = (site: SiteId, values: readonly number[]): SuggestedValue[] =>
  values.map((value, i) => ({ site, trial: i + 1, value }))

/** One number, or every number of a site, that was meant as another. */
function* misread(
  [site, values]: [SiteId, readonly number[]],
  { units }: EntryErrorContext,
): Generator<Hypothesis> {
  for (const [i, typed] of values.entries()) {
    const suggestion = (value: number) => ({ site, trial: i + 1, value })
    for (const { kind, value, stretch } of meaningsOf(site, typed, units?.length === 'in')) {
      yield {
        ...{ kind, sites: [site], typed: Math.log(stretch) },
        replaced: new Map([[site, replacedAt(values, i, value)]]),
        readings: [{ site, trial: i + 1 }],
        suggestions: [suggestion(value)],
      }
    }
  }
  if (values.length < 2) return
  for (const { kind, by } of throughoutOf(site)) {
    const meant = values.map((value) => value * by)
    yield {
      ...{ kind, sites: [site], typed: values.length * Math.log(by) },
      replaced: new Map([[site, meant]]),
      readings: values.map((_, i) => ({ site, trial: i + 1 })),
      suggestions: suggestedFor(site, meant),
    }
  }
}

/** An odd trial lies this far from where it should, mm or cm, or much farther: the width of a Cauchy distribution. */
const ODD_BY = 8

/** One trial that has nothing to do with its site. */
function* oddTrials(
  [site, values]: [SiteId, readonly number[]],
  { last }: EntryErrorContext,
): Generator<Hypothesis> {
  // One of two is told from the other by last time only; else it is what a third trial is taken for.
  const fewest = last[site] ? 2 : 3
  if (values.length < fewest) return
  for (const [i, typed] of values.entries()) {
    const others = values.filter((_, at) => at !== i)
    const about = last[site]?.value ?? others.reduce((a, b) => a + b, 0) / others.length
    yield {
      ...{ kind: 'odd trial', sites: [site], typed: logCauchy(typed - about, ODD_BY) },
      replaced: new Map([[site, others]]),
      ...{ readings: [{ site, trial: i + 1 }], suggestions: [] },
    }
  }
}

/** Two sites that were exchanged in one trial or in all. */
function* swaps(
  all: readonly [SiteId, readonly number[]][],
  { last }: EntryErrorContext,
): Generator<Hypothesis> {
  for (const [i, [a, ofA]] of all.entries()) {
    for (const [b, ofB] of all.slice(i + 1)) {
      const both = Math.min(ofA.length, ofB.length)
      const trials = Array.from({ length: both }, (_, trial) => [trial])
      // Without a last value nobody can say that all of one are the other's.
      if (both > 1 && last[a] && last[b])
        trials.push(Array.from({ length: both }, (_, trial) => trial))
      for (const swapped of trials) {
        const [forA, forB] = [[...ofA], [...ofB]]
        for (const trial of swapped) [forA[trial], forB[trial]] = [forB[trial]!, forA[trial]!]
        const suggestions = swapped.flatMap((trial) => [
          { site: a, trial: trial + 1, value: forA[trial]! },
          { site: b, trial: trial + 1, value: forB[trial]! },
        ])
        yield {
          ...{ kind: 'swap', sites: [a, b], typed: 0, suggestions },
          readings: suggestions.map(({ site, trial }) => ({ site, trial })),
          replaced: new Map([
            [a, forA],
            [b, forB],
          ]),
        }
      }
    }
  }
}

/** The site before that was measured again, in one trial or in all: its mark, under this name. */
function* repeatedSites(
  all: readonly [SiteId, readonly number[]][],
  { last }: EntryErrorContext,
): Generator<Hypothesis> {
  for (const [i, [site, values]] of all.slice(1).entries()) {
    // Two sites may well read alike; only one that did not last time stands out.
    if (!last[site]) continue
    const [before, ofBefore] = all[i]!
    const each = values.map((_, trial) => [trial])
    for (const trials of values.length > 1 ? [...each, [...values.keys()]] : each) {
      const repeats = trials.map((trial) => values[trial]!)
      yield {
        ...{ kind: 'repeated site', sites: [site], typed: 0, suggestions: [] },
        readings: trials.map((trial) => ({ site, trial: trial + 1 })),
        replaced: new Map([
          [before, [...ofBefore, ...repeats]],
          [site, values.filter((_, trial) => !trials.includes(trial))],
        ]),
      }
    }
  }
}

/**
 * Every single slip that could have made the sheet what it is.
 *
 * @param swappable sites that can gain enough by an exchange
 */
export function* hypotheses(
  trials: Trials,
  context: EntryErrorContext,
  swappable: (site: SiteId) => boolean,
): Generator<Hypothesis> {
  const all = [...trials]
  for (const site of all) {
    yield* misread(site, context)
    yield* oddTrials(site, context)
  }
  yield* swaps(
    all.filter(([site]) => swappable(site)),
    context,
  )
  yield* repeatedSites(all, context)
}

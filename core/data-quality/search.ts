import type { SiteId } from '../anatomy/ids'
import { AGAINST, type EntryErrorContext, type Finding, LEAD, REPORT } from './finding'
import { type Hypothesis, againstOf, hypotheses } from './hypotheses'
import { handOf } from './hand'
import { SheetLikelihood, type Trials } from './likelihood'
import { massEvidence } from './mass-evidence'
import { evidenceOf } from './evidence'

/** A sheet rarely holds more slips than this; it bounds the search. */
const MOST_ENTRY_ERRORS = 4
/** Sites beside it from which one that moved by itself can be told from a common change. */
const FEWEST_NEIGHBOURS = 4
/** What each of two sites has to gain by having been exchanged in one trial or in all, log odds. Judgement. */
const SWAP_GAIN = { one: 2, all: 1 }
const swapGain = ({ readings }: Hypothesis) => (readings.length > 2 ? SWAP_GAIN.all : SWAP_GAIN.one)

/** An explanation with its log odds against honest readings. */
interface Explanation extends Hypothesis {
  support: number
}

/** The explanations of a sheet by one slip, each with its log odds. */
class Explanations {
  private readonly sheet: SheetLikelihood
  private readonly most = new Map<string, number>()

  constructor(
    kind: 'fold' | 'girth',
    private readonly trials: Trials,
    private readonly context: EntryErrorContext,
  ) {
    const evidence = kind === 'fold' ? massEvidence(context) : undefined
    this.sheet = new SheetLikelihood(kind, trials, context, evidence)
  }

  /** Those with more than so much support, the best first. */
  over(least: number, about?: readonly SiteId[]): Explanation[] {
    const { trials, context, sheet } = this
    const found: Explanation[] = []
    const consider = (hypothesis: Hypothesis, likelihood: number) => {
      const support = likelihood + hypothesis.typed - sheet.asTyped() - againstOf(hypothesis)
      if (support > least) found.push({ ...hypothesis, support })
    }
    const wanted = ({ sites }: Hypothesis) => !about || sites.some((site) => about.includes(site))
    const swappable = (site: SiteId) =>
      this.gainOf(site, trials.get(site)!.length) > Math.min(...Object.values(SWAP_GAIN))
    for (const hypothesis of hypotheses(trials, context, swappable)) {
      if (!wanted(hypothesis) || !this.mayReach(least, hypothesis)) continue
      if (hypothesis.kind === 'swap' && !this.eachImproves(hypothesis)) continue
      consider(hypothesis, sheet.corrected(hypothesis.replaced))
    }
    for (const alone of movedAlone(trials, context).filter(wanted)) {
      const [site] = alone.sites as [SiteId]
      if (this.gainOf(site, trials.get(site)!.length) - AGAINST['moved alone'] <= least) continue
      consider(alone, sheet.released(site, trials.get(site)!))
    }
    return found.sort((a, b) => b.support - a.support)
  }

  /** What a site can gain at most by other trials: most sites read as they should, and gain little. */
  private gainOf(site: SiteId, trials: number): number {
    const key = `${site} ${trials}`
    const known = this.most.get(key)
    if (known !== undefined) return known
    const gain = this.sheet.most(site, trials) - this.sheet.asTyped()
    this.most.set(key, gain)
    return gain
  }

  private mayReach(least: number, hypothesis: Hypothesis): boolean {
    const { replaced, typed, kind } = hypothesis
    const gains = [...replaced].map(([site, values]) => this.gainOf(site, values.length))
    if (kind === 'swap' && gains.some((gain) => gain <= swapGain(hypothesis))) return false
    return gains.reduce((a, b) => a + b, 0) + typed - againstOf(hypothesis) > least
  }

  /** Two sites were exchanged only where each of them reads clearly better for it. */
  private eachImproves(hypothesis: Hypothesis): boolean {
    const honest = this.sheet.asTyped() + swapGain(hypothesis)
    return [...hypothesis.replaced].every((one) => this.sheet.corrected(new Map([one])) > honest)
  }
}

/** A site that moved by itself while its neighbours did not: another mark, most likely. */
function movedAlone(trials: Trials, { last }: EntryErrorContext): Hypothesis[] {
  const neighbours = [...trials.keys()].filter((site) => last[site])
  if (neighbours.length < FEWEST_NEIGHBOURS) return []
  return neighbours.map((site) => ({
    ...{ kind: 'moved alone', sites: [site], typed: 0 },
    ...{ replaced: new Map<SiteId, number[]>(), readings: [], suggestions: [] },
  }))
}

const sameValue = (a: number, b: number) => Math.abs(a - b) < 1e-6

/** Whether two explanations put the same values into the same readings. */
function sameCorrection(one: Hypothesis, other: Hypothesis): boolean {
  return (
    one.suggestions.length === other.suggestions.length &&
    one.suggestions.every(({ site, trial, value }) =>
      other.suggestions.some(
        (o) => o.site === site && o.trial === trial && sameValue(o.value, value),
      ),
    )
  )
}

/** The values that are offered: those of the best where it leads, both where two of one reading fit, else none. */
function offered(best: Explanation, rivals: readonly Explanation[]): Hypothesis['suggestions'] {
  if (rivals.length === 0) return best.suggestions
  const [suggestion, ...more] = best.suggestions
  const second = rivals[0]!.suggestions[0]
  const alike = rivals.every(
    ({ suggestions: [one, ...others] }) =>
      others.length === 0 &&
      one?.site === suggestion?.site &&
      one?.trial === suggestion?.trial &&
      sameValue(one!.value, second!.value),
  )
  if (!suggestion || !second || more.length > 0 || !alike) return []
  return [{ ...suggestion, second: second.value }]
}

/** Slips of one kind of sheet, found one after another: each is put right before the next is looked for. */
export function entryErrorsIn(
  kind: 'fold' | 'girth',
  typed: Map<SiteId, readonly number[]>,
  given: EntryErrorContext,
): Finding[] {
  const findings: Finding[] = []
  const context = withHand(typed, given)
  let trials: Trials = typed
  while (findings.length < MOST_ENTRY_ERRORS && trials.size > 0) {
    const explanations = new Explanations(kind, trials, context)
    const [best] = explanations.over(REPORT)
    if (!best) break
    const rivals = explanations.over(best.support - LEAD, best.sites)
    const suggestions = offered(
      best,
      rivals.filter((other) => other.kind !== 'odd trial' && !sameCorrection(best, other)),
    )
    const { sites, readings, support } = best
    findings.push({
      ...{ kind: best.kind, sites, suggestions, support },
      ...(readings.length ? { readings } : {}),
      evidence: evidenceOf(best, suggestions, trials, context),
    })
    trials = afterwards(trials, best, suggestions.length > 0)
  }
  return findings
}

/** The sheet as it was meant, or without the sites of which that cannot be said. */
const afterwards = (trials: Trials, { sites, replaced }: Hypothesis, known: boolean): Trials =>
  known
    ? new Map([...trials, ...replaced])
    : new Map([...trials].filter(([site]) => !sites.includes(site)))

/** The same, with errors as large as the sheet itself shows them. */
function withHand(trials: Trials, context: EntryErrorContext): EntryErrorContext {
  const factor = handOf(trials, context)
  const errorOf = (site: SiteId) => {
    const { repeat, relocation } = context.errorOf(site)
    return { repeat: factor * repeat, relocation: factor * relocation }
  }
  return { ...context, errorOf }
}

import type { SiteId } from '../anatomy/ids'
import { nameOf } from '../anatomy/names'
import { AGAINST, type EntryErrorContext, type Finding, REPORT, asRead } from './finding'
import { type Hypothesis, hypotheses } from './hypotheses'
import { SheetLikelihood, type Trials } from './likelihood'
import { massEvidence } from './mass-evidence'

/** A sheet rarely holds more slips than this; it bounds the search. */
const MOST_ENTRY_ERRORS = 4

/** The best single explanation of a sheet by a slip, if any beats honesty. */
function bestHypothesis(kind: 'fold' | 'girth', trials: Trials, context: EntryErrorContext) {
  const evidence = kind === 'fold' ? massEvidence(context) : undefined
  const sheet = new SheetLikelihood(kind, trials, context, evidence)
  const honest = sheet.asTyped()
  let best: { support: number; hypothesis: Hypothesis } | undefined
  const consider = (hypothesis: Hypothesis, likelihood: number) => {
    const support = likelihood - honest - AGAINST[hypothesis.kind]
    if (support > REPORT && (!best || support > best.support)) best = { support, hypothesis }
  }
  for (const hypothesis of hypotheses(trials, context)) {
    consider(hypothesis, sheet.corrected(hypothesis.replaced))
  }
  const neighbours = [...trials.keys()].filter((site) => context.last[site])
  // One site by itself can only be told from a common change where others stand beside it.
  if (neighbours.length >= 4) {
    for (const site of neighbours) {
      const alone: Hypothesis = {
        kind: 'moved alone',
        sites: [site],
        replaced: new Map(),
        suggestions: [],
      }
      consider(alone, sheet.released(site, trials.get(site)!))
    }
  }
  return best
}

function evidenceOf(
  { kind, sites, suggestions }: Hypothesis,
  trials: Trials,
  known: EntryErrorContext,
): string {
  const { last } = known
  const names = sites.map(nameOf)
  const lastOf = (site: SiteId) =>
    last[site] ? `${asRead(site, last[site].value, known)} last time` : ''
  const typed =
    suggestions[0] &&
    asRead(sites[0]!, trials.get(sites[0]!)![(suggestions[0].trial ?? 1) - 1]!, known)
  const context = [
    lastOf(sites[0]!),
    ...(trials.get(sites[0]!)!.length > 1
      ? [
          `trials ${trials
            .get(sites[0]!)!
            .map((v) => asRead(sites[0]!, v, known))
            .join(', ')}`,
        ]
      : []),
  ]
    .filter(Boolean)
    .join(', ')
  switch (kind) {
    case 'swap':
      return `${names[0]} and ${names[1]} look swapped: each fits the other's ${sites.every((site) => last[site]) ? 'last value' : 'readings'} better than its own.`
    case 'moved alone':
      return `${names[0]} moved by itself (${lastOf(sites[0]!)}), its neighbours did not: look at the mark again.`
    case 'decimal':
      return `${names[0]} ${typed} looks like a decimal point lost or moved (${context}).`
    case 'unit':
      return `${names[0]} ${typed} looks like another unit (${context}).`
    default:
      return `${names[0]} ${typed} looks like two digits changed about (${context}).`
  }
}

/** Slips of one kind of sheet, found one after another: each is put right before the next is looked for. */
export function entryErrorsIn(
  kind: 'fold' | 'girth',
  typed: Map<SiteId, readonly number[]>,
  context: EntryErrorContext,
): Finding[] {
  const findings: Finding[] = []
  let trials: Trials = typed
  const settled = new Set<SiteId>()
  while (findings.length < MOST_ENTRY_ERRORS) {
    const rest = new Map([...trials].filter(([site]) => !settled.has(site)))
    if (rest.size === 0) break
    const best = bestHypothesis(kind, rest, context)
    if (!best) break
    const { hypothesis, support } = best
    findings.push({
      kind: hypothesis.kind,
      sites: hypothesis.sites,
      suggestions: hypothesis.suggestions,
      evidence: evidenceOf(hypothesis, rest, context),
      support,
    })
    if (hypothesis.kind === 'moved alone') settled.add(hypothesis.sites[0]!)
    else trials = new Map([...trials, ...hypothesis.replaced])
  }
  return findings
}

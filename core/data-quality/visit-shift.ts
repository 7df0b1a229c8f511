import { say } from '../say'
import { FEWEST_COPIED } from './copies'
import { AGAINST, type EntryErrorContext, type Finding, REPORT } from './finding'
import { SheetLikelihood, type Trials, logNormal, logSumExp } from './likelihood'
import { massEvidence } from './mass-evidence'

/** Another caliper, tester or time of day shifts every site one way while body mass does not follow. */
const SHIFT_SD = 0.12

export function findShift(trials: Trials, context: EntryErrorContext): Finding[] {
  const evidence = massEvidence(context)
  if (!evidence || trials.size < FEWEST_COPIED) return []
  const moves = [...trials].flatMap(([site, values]) => {
    const last = context.last[site]?.value
    return last === undefined ? [] : [values.reduce((a, b) => a + b, 0) / values.length / last - 1]
  })
  if (moves.length < trials.size) return []
  if (!(moves.every((m) => m > 0) || moves.every((m) => m < 0))) return []
  const together = new SheetLikelihood('fold', trials, context, evidence).asTyped()
  const sheet = new SheetLikelihood(
    'fold',
    trials,
    context,
    (c) => logNormal(c, -0.03, 0.08 ** 2 + SHIFT_SD ** 2) - logNormal(c, -0.03, 0.08 ** 2),
  )
  const massAlone =
    logSumExp(sheet.changes.map((c) => evidence(c) + logNormal(c, -0.03, 0.08 ** 2))) +
    Math.log(sheet.changes[1]! - sheet.changes[0]!)
  const support = sheet.asTyped() + massAlone - together - AGAINST['visit shift']
  if (support <= REPORT) return []
  const way = moves[0]! > 0 ? 'more' : 'less'
  return [
    {
      kind: 'visit shift',
      sites: [...trials.keys()],
      suggestions: [],
      evidence: say('findings.everySiteReadsLastTime', { way }),
      support,
    },
  ]
}

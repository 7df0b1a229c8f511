import { type Message, say } from '../say'
import { type SiteId, isSkinfold } from '../anatomy/ids'
import { AGAINST, type EntryErrorContext, type Finding, REPORT } from './finding'
import type { Trials } from './likelihood'

/** Log probability that two readings of a step fall on the same graduation by chance. */
function logSame(variance: number, step: number): number {
  return Math.min(-0.1, Math.log(step / Math.sqrt(2 * Math.PI * variance)))
}

const STEP_MM = 0.5
const STEP_CM = 0.5
/** Sites from which sameness is more than chance. */
export const FEWEST_COPIED = 4

/** A value copied: all trials the same at every site, or a whole visit equal to the last one. */
export function findCopies(
  trials: Trials,
  { errorOf, graduationMm, last }: EntryErrorContext,
): Finding[] {
  const step = (site: SiteId) => (isSkinfold(site) ? (graduationMm ?? STEP_MM) : STEP_CM)
  const sites = [...trials.keys()]
  const found: Finding[] = []
  const report = (chance: number, evidence: Message) => {
    const support = -chance - AGAINST.copy
    if (support > REPORT) found.push({ kind: 'copy', sites, suggestions: [], evidence, support })
  }
  const paired = [...trials].filter(([, values]) => values.length > 1)
  if (paired.length >= FEWEST_COPIED && paired.length === sites.length) {
    if (paired.every(([, values]) => values.every((v) => v === values[0]))) {
      const chance = paired.reduce(
        (sum, [site]) => sum + logSame(2 * errorOf(site).repeat ** 2, step(site)),
        0,
      )
      report(chance, say('findings.everyTrialEqualsFirstEvery'))
    }
  }
  const compared = [...trials].filter(([site]) => last[site])
  if (compared.length >= FEWEST_COPIED && compared.length === sites.length) {
    const mean = (values: readonly number[]) => values.reduce((a, b) => a + b, 0) / values.length
    if (compared.every(([site, values]) => Math.abs(mean(values) - last[site]!.value) < 1e-9)) {
      const chance = compared.reduce((sum, [site]) => {
        const { repeat, relocation } = errorOf(site)
        return sum + logSame(2 * (repeat ** 2 + relocation ** 2), step(site))
      }, 0)
      report(chance, say('findings.wholeSheetEqualsLastTime'))
    }
  }
  return found
}

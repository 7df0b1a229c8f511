import { num, say } from '../say'
import { plausibility } from '../anatomy/limits'
import { nameOf } from '../anatomy/names'
import type { EntryErrorContext, Finding } from './finding'
import type { Trials } from './likelihood'

const BEYOND_ERROR = 3

/** Values outside the soft limits that were inside last time by more than the error explains. */
export function findLimits(trials: Trials, { sex, last, errorOf }: EntryErrorContext): Finding[] {
  return [...trials].flatMap(([site, values]): Finding[] => {
    const value = values.reduce((a, b) => a + b, 0) / values.length
    if (plausibility(site, value, sex) !== 'unusual') return []
    // Nothing is unusual in somebody who was never measured: heavy people have thick folds.
    const before = last[site]
    if (!before || plausibility(site, before.value, sex) === 'unusual') return []
    const { repeat, relocation } = errorOf(site)
    const explained =
      BEYOND_ERROR * Math.sqrt(2 * (repeat ** 2 + relocation ** 2) + (0.1 * before.value) ** 2)
    if (Math.abs(value - before.value) <= explained) return []
    return [
      {
        kind: 'limit',
        sites: [site],
        suggestions: [],
        evidence: say('findings.unusualTakeSecondLookSite', {
          site: nameOf(site),
          value: num(value, 1),
        }),
        support: 0,
      },
    ]
  })
}

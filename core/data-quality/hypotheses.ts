import { type SiteId, isSkinfold } from '../anatomy/ids'
import { limitsOf, plausibility } from '../anatomy/limits'
import type { EntryErrorContext, EntryErrorKind, SuggestedValue } from './finding'
import type { Trials } from './likelihood'
import { CM_PER_INCH, MM_PER_INCH } from '../units/constants'

/** One entry error that could have made the sheet what it is. */
export interface Hypothesis {
  kind: EntryErrorKind
  sites: SiteId[]
  replaced: Map<SiteId, number[]>
  suggestions: SuggestedValue[]
}

/** All numbers that swapping two neighbouring digits of a typed number makes. */
export function transpositionsOf(value: number): number[] {
  const text = String(Number(value.toFixed(2)))
  if (text.startsWith('0')) return []
  const found = new Set<number>()
  const places = [...text].flatMap((sign, i) => (sign === '.' ? [] : [i]))
  for (let k = 0; k + 1 < places.length; k++) {
    const signs = [...text]
    const [a, b] = [places[k]!, places[k + 1]!]
    ;[signs[a], signs[b]] = [signs[b]!, signs[a]!]
    const other = Number(signs.join(''))
    // Nobody types a leading nought.
    if (signs[0] !== '0' && other !== value) found.add(other)
  }
  return [...found]
}

/** What one typed number may have been meant as, by kind of slip. */
function meanings(
  site: SiteId,
  typed: number,
  inches = false,
): { kind: EntryErrorKind; value: number }[] {
  const scale = inches && !isSkinfold(site) ? CM_PER_INCH : 1
  const units = isSkinfold(site)
    ? typed <= 4
      ? [typed * MM_PER_INCH]
      : []
    : [typed * CM_PER_INCH, typed / CM_PER_INCH]
  const { hardLow, hardHigh } = limitsOf(site)
  return [
    ...[typed / 10, typed * 10].map((value) => ({ kind: 'decimal' as const, value })),
    ...units.map((value) => ({ kind: 'unit' as const, value })),
    ...transpositionsOf(typed / scale).map((value) => ({
      kind: 'transposition' as const,
      value: value * scale,
    })),
  ].filter(({ value }) => value >= hardLow && value <= hardHigh)
}

function replacedAt(values: readonly number[], index: number, value: number): number[] {
  return values.map((v, i) => (i === index ? value : v))
}

/** Every single slip that could have made the sheet what it is. */
export function hypotheses(trials: Trials, context: EntryErrorContext): Hypothesis[] {
  const found: Hypothesis[] = []
  const all = [...trials]
  for (const [site, values] of all) {
    values.forEach((typed, i) => {
      for (const { kind, value } of meanings(site, typed, context.units?.length === 'in')) {
        found.push({
          kind,
          sites: [site],
          replaced: new Map([[site, replacedAt(values, i, value)]]),
          suggestions: [{ site, trial: i + 1, value }],
        })
      }
    })
    // The same slip in every trial: the caliper's scale misread, or the unit taken wrong throughout. A value that is
    // usual as it stands needs a last one to say so: else it would explain trials that merely disagree.
    const mean = values.reduce((a, b) => a + b, 0) / values.length
    const usual = !context.last[site] && plausibility(site, mean, context.sex) === 'usual'
    if (values.length > 1 && !usual) {
      const throughout = isSkinfold(site)
        ? [0.1, 10, MM_PER_INCH]
        : [0.1, 10, CM_PER_INCH, 1 / CM_PER_INCH]
      for (const factor of throughout) {
        const meant = values.map((v) => v * factor)
        found.push({
          kind: factor === 0.1 || factor === 10 ? 'decimal' : 'unit',
          sites: [site],
          replaced: new Map([[site, meant]]),
          suggestions: meant.map((value, i) => ({ site, trial: i + 1, value })),
        })
      }
    }
  }
  all.forEach(([a, ofA], i) => {
    for (const [b, ofB] of all.slice(i + 1)) {
      const both = Math.min(ofA.length, ofB.length)
      const swaps = Array.from({ length: both }, (_, trial) => [trial])
      if (both > 1) swaps.push(Array.from({ length: both }, (_, trial) => trial))
      for (const rounds of swaps) {
        const [forA, forB] = [[...ofA], [...ofB]]
        for (const trial of rounds) [forA[trial], forB[trial]] = [forB[trial]!, forA[trial]!]
        found.push({
          kind: 'swap',
          sites: [a, b],
          replaced: new Map([
            [a, forA],
            [b, forB],
          ]),
          suggestions: rounds.flatMap((trial) => [
            { site: a, trial: trial + 1, value: forA[trial]! },
            { site: b, trial: trial + 1, value: forB[trial]! },
          ]),
        })
      }
    }
  })
  return found
}

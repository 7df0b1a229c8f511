import type { KnownSite, SiteId } from '../anatomy/ids'
import { limitsOf, unitOfSite } from '../anatomy/limits'
import { nameOf } from '../anatomy/names'
import { inputError } from '../errors'
import { say, type Words } from '../say'

/** What a profile is made of. */
export type Measure = SiteId | 'height' | 'mass'

/** Of one person on one day: mm for folds, cm for girths, breadths, lengths and height, kg for mass. */
export type Measures = Partial<Record<Measure, number>>

/** The same that is known to be there. */
export type Needed<M extends Measure> = Record<M, number>

/** What people call a measure. */
export const measureName = (id: Measure): Words => {
  if (id === 'height') return say('methods.height')
  return id === 'mass' ? say('methods.bodyMass') : nameOf(id)
}

const unitOf = (id: Measure) => (id === 'height' ? 'cm' : id === 'mass' ? 'kg' : unitOfSite(id))

/** Those that are not there, in the order asked for. */
export const missingIn = <M extends Measure>(measures: Measures, wanted: readonly M[]): M[] =>
  wanted.filter((id) => measures[id] === undefined)

/**
 * The measures wanted, each within what is possible of it.
 *
 * @throws InputError naming the first that is missing or impossible
 */
export function needed<M extends KnownSite | 'height' | 'mass'>(
  measures: Measures,
  wanted: readonly M[],
): Needed<M> {
  const found = {} as Needed<M>
  for (const id of wanted) {
    const value: unknown = measures[id]
    const { hardLow: low, hardHigh: high } = limitsOf(id)
    if (typeof value !== 'number' || !(value >= low && value <= high)) {
      const problem = value === undefined ? 'missing' : 'impossible'
      const accepted = say('methods.to', { low, high, unit: unitOf(id) })
      throw inputError(id, problem, measureName(id), value, accepted)
    }
    found[id] = value
  }
  return found
}

import type { GirthId, LandmarkStandard, Sex, SkinfoldId } from '../anatomy/ids'
import { EQUATIONS, variantFor } from '../equations/registry'
import { both, INT_RULES, US_RULES } from './registry'
import type { Protocol } from './types'

/** A set of the coach's own, as a form gives it. */
export interface OwnProtocol {
  /** `own-` and a name of its own. */
  id: string
  name: string
  standard: LandmarkStandard
  folds: SkinfoldId[]
  girths: GirthId[]
  rounds: number
  toleranceMm: number
}

/**
 * Makes a protocol of the coach's own. It feeds every equation whose sites it holds.
 *
 * @param own as `readOwnProtocol` gives it
 */
export function ownProtocol(own: OwnProtocol): Protocol {
  const { id, name, standard, folds, girths, rounds, toleranceMm } = own
  const sites = new Set<string>([...folds, ...girths])
  const fed = (sex: Sex) =>
    EQUATIONS.filter((equation) => {
      if (equation.standard !== undefined && equation.standard !== standard) return false
      if (!equation.variants.some((v) => v.sex === sex)) return false
      const variant = variantFor(equation, sex)
      const wanted = [...variant.folds, ...variant.girths]
      return wanted.length > 0 && wanted.every((site) => sites.has(site))
    }).map((equation) => equation.id)
  return {
    ...(standard === 'int' ? INT_RULES : US_RULES),
    id,
    name,
    when: 'The coach’s own set.',
    standard,
    folds: both(folds),
    girths: both(girths),
    wants: ['height', 'mass'],
    rounds,
    tolerance: { kind: 'mm', value: toleranceMm },
    equations: { male: fed('male'), female: fed('female') },
  }
}

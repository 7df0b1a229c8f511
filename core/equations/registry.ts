import type { Sex } from '../anatomy/ids'
import { inputError } from '../errors'
import { athletes } from './athletes'
import { durninWomersley } from './durnin-womersley'
import { jacksonPollock } from './jackson-pollock'
import { otherFolds } from './other-folds'
import { tape } from './tape'
import type { Equation, Variant } from './types'

/** Every equation there is. Screens, docs, the recommender, the batch command and the tests read this list. */
export const EQUATIONS: readonly Equation[] = [
  ...jacksonPollock,
  ...durninWomersley,
  ...athletes,
  ...otherFolds,
  ...tape,
]

const byId = new Map(EQUATIONS.map((equation) => [equation.id, equation]))

/**
 * The equation of that id.
 *
 * @throws InputError naming `equation` when there is none
 */
export function equationById(id: string): Equation {
  const equation = byId.get(id)
  if (!equation) {
    throw inputError('equation', 'unknown', 'Equation', id, `one of ${[...byId.keys()].join(', ')}`)
  }
  return equation
}

/**
 * The form of an equation for one sex.
 *
 * @throws InputError naming `sex` when the source gives none for it
 */
export function variantFor(equation: Equation, sex: Sex): Variant {
  const variant = equation.variants.find((v) => v.sex === sex)
  if (!variant) {
    const accepted = equation.variants.map((v) => v.sex).join(' or ')
    throw inputError('sex', 'outside-domain', `${equation.name}, sex`, sex, accepted || 'none')
  }
  return variant
}

import { type LocatedValue, serves } from '../anatomy/landmark-standards'
import { estimate } from './estimate'
import { EQUATIONS } from '../equations/registry'
import type { Equation, Estimate, EstimateOptions, Subject, Values } from '../equations/types'
import type { InputError } from '../errors'
import { attempt } from '../outcome'

/** What one equation makes of a check-in: an estimate, or the reason in words why there is none. */
export type EquationResult =
  | { equation: Equation; ok: true; estimate: Estimate }
  | { equation: Equation; ok: false; error: InputError }

/** The values among those measured that an equation may use: in its own standard, or shared with it. */
export function servedValues(equation: Equation, measured: readonly LocatedValue[]): Values {
  const values: Values = {}
  for (const value of measured) {
    if (serves(value, equation.standard)) values[value.site] = value.value
  }
  return values
}

/**
 * Computes every equation whose inputs are all there in the right standard: seven folds give the three-fold result too.
 *
 * @param measured final values with their standards; mm and cm
 * @returns one entry for each equation of the subject's sex whose measurements are complete, in the registry's order;
 *   those that refuse (age, turning point, missing mass) carry their words
 */
export function estimateEvery(
  subject: Subject,
  measured: readonly LocatedValue[],
  options: Omit<EstimateOptions, 'standard'> = {},
): EquationResult[] {
  return EQUATIONS.flatMap((equation): EquationResult[] => {
    const variant = equation.variants.find((v) => v.sex === subject.sex)
    if (!variant) return []
    const values = servedValues(equation, measured)
    if ([...variant.folds, ...variant.girths].some((site) => values[site] === undefined)) return []
    if (variant.needs.some((need) => subject[need] === undefined)) return []
    const result = attempt(() => estimate(equation.id, subject, values, options))
    return [
      result.ok
        ? { equation, ok: true, estimate: result.value }
        : { equation, ok: false, error: result.error },
    ]
  })
}

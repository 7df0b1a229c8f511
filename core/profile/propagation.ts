import type { Measure, Measures } from './measures'

/** Step of the difference quotient, as a share of the measure: far above rounding, far below any bend of a formula. */
const STEP = 1e-5

/**
 * The error that the measuring leaves in a figure, by its slopes (first order).
 *
 * @param figure of the measures; it need not be smooth everywhere, but it is taken to be where they lie
 * @param errors standard errors of the measures, in their units and independent of one another; none where not named
 * @returns one standard error, in the unit of the figure
 */
export function measuringError(
  figure: (measures: Measures) => number,
  measures: Measures,
  errors: Measures,
): number {
  let variance = 0
  for (const [id, error] of Object.entries(errors) as [Measure, number][]) {
    const value = measures[id]
    if (value === undefined) continue
    const step = value * STEP
    const at = (by: number) => figure({ ...measures, [id]: value + by })
    variance += (((at(step) - at(-step)) / (2 * step)) * error) ** 2
  }
  return Math.sqrt(variance)
}

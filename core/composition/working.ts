import { nameOf } from '../anatomy/names'
import { evaluate, finish, prepare } from './estimate'
import { CONVERSIONS } from '../equations/conversions'
import type { EstimateOptions, Subject, Values } from '../equations/types'
import { unrounded } from '../units/format'

/** One line of the working: what, how, and the unrounded value. */
export interface Step {
  label: string
  formula: string
  value: number
  unit: string
}

/**
 * Every step from site values to masses, unrounded, in the order a person would do them by hand.
 *
 * @param subject as for `estimate`
 * @throws InputError as `estimate` does
 */
export function working(
  equationId: string,
  subject: Subject,
  values: Values,
  options: EstimateOptions = {},
): Step[] {
  const prepared = prepare(equationId, subject, values, options)
  const result = finish(prepared)
  const { variant, inputs, terms, row, conversion } = prepared
  const steps: Step[] = []
  if (result.sumMm !== undefined) {
    steps.push({
      label: 'Sum S',
      formula: variant.folds
        .map((fold) => `${nameOf(fold).toLowerCase()} ${unrounded(inputs.values[fold]!)}`)
        .join(' + '),
      value: result.sumMm,
      unit: 'mm',
    })
  }
  for (const { coefficient, of } of terms) {
    const value = of.value(inputs)
    steps.push({
      label: of.label === '1' ? 'constant' : `${of.label} term`,
      formula:
        of.label === '1'
          ? unrounded(coefficient)
          : `${unrounded(coefficient)} × ${unrounded(value)}`,
      value: coefficient * value,
      unit: '',
    })
  }
  const given = evaluate(terms, inputs)
  const rowNote = row ? `, row ${row.from} to ${row.to} years` : ''
  steps.push({
    label: variant.gives === 'density' ? 'Body density' : 'Fat %',
    formula: `all terms added${rowNote}`,
    value: given,
    unit: variant.gives === 'density' ? 'g/cm³' : '%',
  })
  if (variant.gives === 'density') {
    const { name, a, b } = CONVERSIONS[conversion]
    steps.push({
      label: `Fat % (${name})`,
      formula: `${a} / ${unrounded(given)} − ${b}`,
      value: result.fatPercent,
      unit: '%',
    })
  }
  if (result.fatMassKg !== undefined && result.leanMassKg !== undefined) {
    steps.push(
      {
        label: 'Fat mass',
        formula: `${inputs.massKg} × ${result.fatPercent} / 100`,
        value: result.fatMassKg,
        unit: 'kg',
      },
      {
        label: 'Lean mass',
        formula: `${inputs.massKg} − ${result.fatMassKg}`,
        value: result.leanMassKg,
        unit: 'kg',
      },
    )
  }
  return steps
}

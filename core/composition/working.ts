import { type Message, say, figures, listed, lower, type Value } from '../say'
import { nameOf } from '../anatomy/names'
import { evaluate, finish, prepare } from './estimate'
import { constant } from '../equations/basis'
import { CONVERSIONS } from '../equations/conversions'
import type { EstimateOptions, Subject, Values } from '../equations/types'
import { unrounded } from '../units/format'

/** One line of the working: what, how, and the unrounded value. */
export interface Step {
  label: Message
  formula: Value
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
      label: say('methods.sumS'),
      formula: listed(
        variant.folds.map((fold) =>
          say('methods.siteValue', {
            site: lower(nameOf(fold)),
            value: figures(unrounded(inputs.values[fold]!)),
          }),
        ),
        'plus',
      ),
      value: result.sumMm,
      unit: 'mm',
    })
  }
  for (const { coefficient, of } of terms) {
    const value = of.value(inputs)
    steps.push({
      label: of === constant ? say('methods.constant') : say('methods.term', { label: of.label }),
      formula:
        of === constant
          ? figures(unrounded(coefficient))
          : figures(`${unrounded(coefficient)} × ${unrounded(value)}`),
      value: coefficient * value,
      unit: '',
    })
  }
  const given = evaluate(terms, inputs)
  steps.push({
    label: variant.gives === 'density' ? say('methods.bodyDensity') : say('methods.fat'),
    formula: row
      ? say('methods.termsAddedRow', { from: row.from, to: row.to })
      : say('methods.termsAdded'),
    value: given,
    unit: variant.gives === 'density' ? 'g/cm³' : '%',
  })
  if (variant.gives === 'density') {
    const { name, a, b } = CONVERSIONS[conversion]
    steps.push({
      label: say('methods.fat2', { name }),
      formula: figures(`${a} / ${unrounded(given)} − ${b}`),
      value: result.fatPercent,
      unit: '%',
    })
  }
  if (result.fatMassKg !== undefined && result.leanMassKg !== undefined) {
    steps.push(
      {
        label: say('methods.fatMass'),
        formula: figures(`${inputs.massKg} × ${result.fatPercent} / 100`),
        value: result.fatMassKg,
        unit: 'kg',
      },
      {
        label: say('methods.leanMass'),
        formula: figures(`${inputs.massKg} − ${result.fatMassKg}`),
        value: result.leanMassKg,
        unit: 'kg',
      },
    )
  }
  return steps
}

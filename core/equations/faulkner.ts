import { constant, FOLDS_ALONE, sum, term } from './basis'
import type { Equation } from './types'

/** Swimmers. Coefficients are from memory of the cited source. */
export const faulkner: Equation[] = [
  {
    id: 'faulkner-4',
    name: 'Faulkner, four folds',
    family: 'Faulkner',
    standard: 'int',
    notes: [
      'Never gives less than 5.8 %, whatever the folds: no use for the very lean.',
      'The source states neither ages nor a standard error.',
    ],
    variants: [
      {
        ...FOLDS_ALONE,
        sex: 'male',
        ages: null,
        population: 'male swimmers',
        madeOn: 'athletes',
        citation: 'Faulkner JA. In: Falls HB (ed), Exercise Physiology, 1968:415-446',
        grade: 'B',
        folds: ['triceps', 'subscapular', 'supraspinale', 'abdominal'],
        gives: 'fatPercent',
        terms: [term(0.153, sum), term(5.783, constant)],
        standardError: null,
      },
    ],
  },
]

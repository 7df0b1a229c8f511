import { say } from '../say'
import { constant, FOLDS_ALONE, sum, term } from './basis'
import type { Equation } from './types'

/** Swimmers. Coefficients are from memory of the cited source. */
export const faulkner: Equation[] = [
  {
    id: 'faulkner-4',
    name: say('methods.faulknerFourFolds'),
    family: say('methods.faulkner'),
    standard: 'int',
    notes: [say('methods.neverGivesLess58'), say('methods.sourceStatesNeitherAgesNor')],
    variants: [
      {
        ...FOLDS_ALONE,
        sex: 'male',
        ages: null,
        population: say('methods.maleSwimmers'),
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

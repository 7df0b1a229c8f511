import { say } from '../say'
import { age, constant, FOLDS_ALONE, log10Sum, sum, sumSquared, term } from './basis'
import type { Equation } from './types'

const CITATION = 'Petroski EL. Doctoral thesis, Universidade Federal de Santa Maria, 1995'

/** Brazilian adults. Coefficients and ages are from memory of the cited source. */
export const petroskiFamily: Equation[] = [
  {
    id: 'petroski-4',
    name: say('methods.petroskiFourFolds'),
    family: say('methods.petroski'),
    standard: 'us',
    notes: [say('methods.suprailiacMidaxillaryLine'), say('methods.errorNotToHand')],
    variants: [
      {
        ...FOLDS_ALONE,
        sex: 'male',
        ages: { youngest: 18, oldest: 66 },
        population: say('methods.brazilianAdults', { sex: say('methods.men') }),
        citation: CITATION,
        grade: 'A',
        folds: ['subscapular', 'triceps', 'suprailiac', 'medial_calf'],
        gives: 'density',
        terms: [
          ...[term(1.10726863, constant), term(-0.00081201, sum)],
          ...[term(0.00000212, sumSquared), term(-0.00041761, age)],
        ],
        standardError: null,
        turning: { of: 'sum', at: 191 },
      },
      {
        ...FOLDS_ALONE,
        sex: 'female',
        ages: { youngest: 18, oldest: 51 },
        population: say('methods.brazilianAdults', { sex: say('methods.women') }),
        citation: CITATION,
        grade: 'A',
        folds: ['midaxillary', 'suprailiac', 'thigh', 'medial_calf'],
        gives: 'density',
        terms: [
          ...[term(1.1954713, constant), term(-0.07513507, log10Sum)],
          term(-0.00041072, age),
        ],
        standardError: null,
      },
    ],
  },
]

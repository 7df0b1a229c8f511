import { say } from '../say'
import { age, constant, FOLDS_ALONE, girthOf, heightCm, log10Sum, sum, term } from './basis'
import { CARTER_SIX } from './carter'
import type { Equation } from './types'

/** Australians at large. Coefficients and ages are from memory of a textbook's print. */
export const withersAtLarge: Equation[] = [
  {
    id: 'withers-6',
    name: say('methods.withersSixFolds'),
    family: say('methods.withers'),
    standard: 'int',
    notes: [say('methods.errorNotToHand')],
    variants: [
      {
        ...FOLDS_ALONE,
        sex: 'male',
        ages: { youngest: 18, oldest: 59 },
        population: say('methods.australianMenAtLarge'),
        citation: 'Withers RT et al., in: Norton K, Olds T (eds). Anthropometrica, 1996',
        grade: 'B',
        folds: CARTER_SIX,
        gives: 'density',
        terms: [term(1.10326, constant), term(-0.00031, age), term(-0.00036, sum)],
        standardError: null,
      },
    ],
  },
  {
    id: 'withers-4-girths',
    name: say('methods.withersFourFoldsGirths'),
    family: say('methods.withers'),
    standard: 'int',
    notes: [say('methods.fourFoldsMemory'), say('methods.errorNotToHand')],
    variants: [
      {
        sex: 'female',
        ages: { youngest: 17, oldest: 35 },
        population: say('methods.australianWomenAtLarge'),
        citation: 'Withers RT et al. Eur J Appl Physiol 1987;56:181-190',
        grade: 'B',
        folds: ['triceps', 'subscapular', 'supraspinale', 'medial_calf'],
        girths: ['waist', 'hip', 'bust'],
        needs: ['heightCm'],
        gives: 'density',
        terms: [
          term(1.14075, constant),
          term(-0.04959, log10Sum),
          term(0.00044, age),
          term(-0.000612, girthOf('waist')),
          term(0.000284, heightCm),
          term(-0.000505, girthOf('hip')),
          term(0.000331, girthOf('bust')),
        ],
        standardError: null,
      },
    ],
  },
]

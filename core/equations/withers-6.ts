import { say } from '../say'
import { age, constant, FOLDS_ALONE, sum, term } from './basis'
import { CARTER_SIX } from './carter'
import type { Equation } from './types'

/** Men at large. Coefficients and ages are from memory of a textbook's print. */
export const withersSix: Equation[] = [
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
]

import { say } from '../say'
import { constant, FOLDS_ALONE, sum, sumSquared, term } from './basis'
import type { Equation } from './types'

/** Wrestlers. Coefficients are from memory of the cited source. */
export const lohmanFamily: Equation[] = [
  {
    id: 'lohman-wrestlers',
    name: say('methods.lohmanWrestlers'),
    family: say('methods.lohman'),
    standard: 'us',
    notes: [say('methods.weightClassRulesFirst'), say('methods.errorNotToHand')],
    variants: [
      {
        ...FOLDS_ALONE,
        sex: 'male',
        ages: { youngest: 13, oldest: 30 },
        population: say('methods.wrestlersUnderwater'),
        madeOn: 'wrestlers',
        citation: 'Lohman TG. Hum Biol 1981;53:181-225',
        grade: 'A',
        folds: ['triceps', 'subscapular', 'abdominal'],
        gives: 'density',
        terms: [term(1.0982, constant), term(-0.000815, sum), term(0.00000084, sumSquared)],
        standardError: null,
        turning: { of: 'sum', at: 485 },
      },
    ],
  },
]

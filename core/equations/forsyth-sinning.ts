import { say } from '../say'
import type { KnownFold } from '../anatomy/ids'
import { constant, FOLDS_ALONE, foldOf, term } from './basis'
import type { Equation, Variant } from './types'

/** @param folds each with its coefficient */
const forsythSinning = (c0: number, folds: [KnownFold, number][]): Variant => ({
  ...FOLDS_ALONE,
  sex: 'male',
  ages: { youngest: 18, oldest: 22 },
  population: say('methods.maleAthletesUnderwater'),
  madeOn: 'athletes',
  citation: 'Forsyth HL, Sinning WE. Med Sci Sports 1973;5:174-180',
  grade: 'A',
  folds: folds.map(([fold]) => fold),
  gives: 'density',
  terms: [
    term(c0, constant),
    ...folds.map(([fold, coefficient]) => term(coefficient, foldOf(fold))),
  ],
  standardError: null,
})

/** Male athletes. Coefficients and ages are from memory of the cited source. */
export const forsythSinningFamily: Equation[] = [
  {
    id: 'forsyth-sinning-4',
    name: say('methods.forsythSinningFour'),
    family: say('methods.forsythSinning'),
    standard: 'us',
    notes: [say('methods.thickerMidaxillaryLess'), say('methods.errorNotToHand')],
    variants: [
      forsythSinning(1.10647, [
        ['subscapular', -0.00162],
        ['abdominal', -0.00144],
        ['triceps', -0.00077],
        ['midaxillary', 0.00071],
      ]),
    ],
  },
  {
    id: 'forsyth-sinning-2',
    name: say('methods.forsythSinningTwo'),
    family: say('methods.forsythSinning'),
    standard: 'us',
    notes: [say('methods.errorNotToHand')],
    variants: [
      forsythSinning(1.103, [
        ['subscapular', -0.00168],
        ['abdominal', -0.00127],
      ]),
    ],
  },
]

import { say } from '../say'
import type { KnownFold, Sex } from '../anatomy/ids'
import { constant, FOLDS_ALONE, log10Sum, term } from './basis'
import type { Equation, Variant } from './types'

const guedes = (sex: Sex, folds: KnownFold[], c0: number, slope: number): Variant => ({
  ...FOLDS_ALONE,
  sex,
  ages: { youngest: 17, oldest: 30 },
  population: say('methods.brazilianStudents', {
    sex: sex === 'male' ? say('methods.men') : say('methods.women'),
  }),
  citation: 'Guedes DP. Dissertation, Universidade Federal de Santa Maria, 1985',
  grade: 'A',
  folds,
  gives: 'density',
  terms: [term(c0, constant), term(slope, log10Sum)],
  standardError: null,
})

/** Brazilian students. Coefficients and ages are from memory of the cited source. */
export const guedesFamily: Equation[] = [
  {
    id: 'guedes-3',
    name: say('methods.guedesThreeFolds'),
    family: say('methods.guedes'),
    standard: 'us',
    notes: [say('methods.errorNotToHand')],
    variants: [
      guedes('male', ['triceps', 'suprailiac', 'abdominal'], 1.17136, -0.06706),
      guedes('female', ['thigh', 'suprailiac', 'subscapular'], 1.1665, -0.07063),
    ],
  },
]

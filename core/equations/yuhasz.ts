import { say } from '../say'
import type { Sex } from '../anatomy/ids'
import { constant, FOLDS_ALONE, sum, term } from './basis'
import { CARTER_SIX } from './carter'
import type { Equation, Variant } from './types'

const yuhasz = (sex: Sex, c0: number, slope: number): Variant => ({
  ...FOLDS_ALONE,
  sex,
  ages: { youngest: 18, oldest: 30 },
  population: say('methods.students', {
    sex: sex === 'male' ? say('methods.men') : say('methods.women'),
  }),
  citation: 'Yuhasz MS. Physical Fitness Manual, University of Western Ontario, 1974',
  grade: 'B',
  folds: CARTER_SIX,
  gives: 'fatPercent',
  terms: [term(c0, constant), term(slope, sum)],
  standardError: null,
})

/** Students. Coefficients and ages are from memory of the cited source. */
export const yuhaszFamily: Equation[] = [
  {
    id: 'yuhasz-6',
    name: say('methods.yuhaszSixFolds'),
    family: say('methods.yuhasz'),
    standard: 'int',
    notes: [say('methods.sourceStatesStandardError')],
    variants: [yuhasz('male', 3.64, 0.097), yuhasz('female', 4.56, 0.143)],
  },
]

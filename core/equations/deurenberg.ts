import { say } from '../say'
import type { Sex } from '../anatomy/ids'
import { age, bmi, constant, male, term } from './basis'
import type { Equation, Variant } from './types'

const deurenberg = (sex: Sex): Variant => ({
  sex,
  ages: { youngest: 16, oldest: Infinity },
  population: say('methods.dutchAdults16YearsUnderwater'),
  citation: 'Deurenberg P et al. Br J Nutr 1991;65:105-114',
  grade: 'A',
  folds: [],
  girths: [],
  needs: ['heightCm', 'massKg'],
  gives: 'fatPercent',
  terms: [term(1.2, bmi), term(0.23, age), term(-10.8, male), term(-5.4, constant)],
  standardError: { of: 'fatPercent', value: 4.1 },
})

/** BMI and age. Coefficients are from memory of the cited source. */
export const deurenbergFamily: Equation[] = [
  {
    id: 'deurenberg-bmi',
    name: say('methods.deurenbergBmi'),
    family: say('methods.deurenberg'),
    contextOnly: true,
    notes: [say('methods.contextOnlyHeightMassAlone')],
    variants: [deurenberg('male'), deurenberg('female')],
  },
]

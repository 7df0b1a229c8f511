import { say } from '../say'
import type { Sex } from '../anatomy/ids'
import { age, constant, male, perBmi, product, term } from './basis'
import type { Equation, Variant } from './types'

const gallagher = (sex: Sex): Variant => ({
  sex,
  ages: { youngest: 20, oldest: 79 },
  population: say('methods.adultsFourCompartment', {
    sex: sex === 'male' ? say('methods.men') : say('methods.women'),
  }),
  citation: 'Gallagher D et al. Am J Clin Nutr 2000;72:694-701',
  grade: 'A',
  folds: [],
  girths: [],
  needs: ['heightCm', 'massKg'],
  gives: 'fatPercent',
  terms: [
    ...[term(64.5, constant), term(-848, perBmi), term(0.079, age)],
    ...[term(-16.4, male), term(0.05, product(male, age)), term(39, product(male, perBmi))],
  ],
  standardError: null,
})

/** BMI and age. Coefficients and ages are from memory of the cited source. */
export const gallagherFamily: Equation[] = [
  {
    id: 'gallagher-bmi',
    name: say('methods.gallagherBmi'),
    family: say('methods.gallagher'),
    contextOnly: true,
    notes: [say('methods.contextOnlyHeightMassAlone'), say('methods.errorNotToHand')],
    variants: [gallagher('male'), gallagher('female')],
  },
]

import { say } from '../say'
import type { Sex } from '../anatomy/ids'
import { constant, inchesPerPound, perPound, term } from './basis'
import type { Equation, Variant } from './types'

/** fat = c0 + 4.15 waist (in) - 0.082 mass (lb), in pounds; as a share of the mass. */
const ymca = (sex: Sex, c0: number): Variant => ({
  sex,
  ages: null,
  population: say('methods.adultsOfFitnessTests', {
    sex: sex === 'male' ? say('methods.men') : say('methods.women'),
  }),
  citation: 'Golding LA, Myers CR, Sinning WE. Y’s Way to Physical Fitness, 3rd ed, 1989',
  grade: 'A',
  folds: [],
  girths: ['abdomen'],
  needs: ['massKg'],
  gives: 'fatPercent',
  terms: [
    ...[term(100 * c0, perPound), term(100 * 4.15, inchesPerPound('abdomen'))],
    term(100 * -0.082, constant),
  ],
  standardError: null,
})

/** Waist at the navel and mass. Coefficients are from memory of the cited source. */
export const ymcaFamily: Equation[] = [
  {
    id: 'ymca-tape',
    name: say('methods.ymcaTape'),
    family: say('methods.ymcaTape'),
    notes: [say('methods.sourceStatesNeitherAgesNor')],
    variants: [ymca('male', -98.42), ymca('female', -76.76)],
  },
]

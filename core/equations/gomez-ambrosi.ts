import { say } from '../say'
import type { Sex } from '../anatomy/ids'
import { age, bmi, constant, female, product, term } from './basis'
import type { Equation, Variant } from './types'

const gomezAmbrosi = (sex: Sex): Variant => ({
  sex,
  ages: { youngest: 18, oldest: 80 },
  population: say('methods.spanishAdultsAirDisplacement'),
  citation: 'Gómez-Ambrosi J et al. Diabetes Care 2012;35:383-388',
  grade: 'A',
  folds: [],
  girths: [],
  needs: ['heightCm', 'massKg'],
  gives: 'fatPercent',
  terms: [
    ...[term(-44.988, constant), term(0.503, age), term(10.689, female), term(3.172, bmi)],
    ...[
      term(-0.026, product(bmi, bmi)),
      term(0.181, product(female, bmi)),
      term(-0.02, product(bmi, age)),
    ],
    ...[term(-0.005, product(female, bmi, bmi)), term(0.00021, product(bmi, bmi, age))],
  ],
  standardError: null,
})

/** BMI and age. Coefficients and ages are from memory of the cited source. */
export const gomezAmbrosiFamily: Equation[] = [
  {
    id: 'gomez-ambrosi-bmi',
    name: say('methods.gomezAmbrosiBmi'),
    family: say('methods.gomezAmbrosi'),
    contextOnly: true,
    notes: [say('methods.contextOnlyHeightMassAlone'), say('methods.errorNotToHand')],
    variants: [gomezAmbrosi('male'), gomezAmbrosi('female')],
  },
]

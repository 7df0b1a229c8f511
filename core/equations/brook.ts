import { say } from '../say'
import type { Sex } from '../anatomy/ids'
import { constant, FOLDS_ALONE, log10Sum, term } from './basis'
import { DURNIN_FOLDS } from './durnin-womersley'
import type { Equation, Variant } from './types'

const brook = (sex: Sex, c: number, m: number): Variant => ({
  ...FOLDS_ALONE,
  sex,
  ages: { youngest: 1, oldest: 11 },
  population: say('methods.youthOfAges', {
    ...{ sex: sex === 'male' ? say('methods.boys') : say('methods.girls') },
    ...{ youngest: 1, oldest: 11 },
  }),
  madeOn: 'youth',
  citation: 'Brook CGD. Arch Dis Child 1971;46:182-184',
  grade: 'A',
  folds: DURNIN_FOLDS,
  gives: 'density',
  terms: [term(c, constant), term(-m, log10Sum)],
  standardError: null,
})

/** Children. Coefficients are from memory of the cited source. */
export const brookFamily: Equation[] = [
  {
    id: 'brook-4',
    name: say('methods.brookFourFolds'),
    family: say('methods.brook'),
    standard: 'dw',
    notes: [say('methods.youthGuardianNoDeficit'), say('methods.errorNotToHand')],
    variants: [brook('male', 1.169, 0.0788), brook('female', 1.2063, 0.0999)],
  },
]

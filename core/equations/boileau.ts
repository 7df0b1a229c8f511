import { say } from '../say'
import type { Sex } from '../anatomy/ids'
import { constant, FOLDS_ALONE, sum, sumSquared, term } from './basis'
import type { Equation, Variant } from './types'

const boileau = (sex: Sex, c0: number): Variant => ({
  ...FOLDS_ALONE,
  sex,
  ages: { youngest: 8, oldest: 17 },
  population: say('methods.youthOfAges', {
    ...{ sex: sex === 'male' ? say('methods.boys') : say('methods.girls') },
    ...{ youngest: 8, oldest: 17 },
  }),
  madeOn: 'youth',
  citation: 'Boileau RA, Lohman TG, Slaughter MH. Scand J Sports Sci 1985;7:17-27',
  grade: 'A',
  folds: ['triceps', 'subscapular'],
  gives: 'fatPercent',
  terms: [term(1.35, sum), term(-0.012, sumSquared), term(c0, constant)],
  standardError: null,
  turning: { of: 'sum', at: 56.25 },
})

/** Youth. Coefficients and ages are from memory of the cited source. */
export const boileauFamily: Equation[] = [
  {
    id: 'boileau-2',
    name: say('methods.boileauTwoFolds'),
    family: say('methods.boileau'),
    standard: 'us',
    notes: [say('methods.youthGuardianNoDeficit'), say('methods.errorNotToHand')],
    variants: [boileau('male', -4.4), boileau('female', -2.4)],
  },
]

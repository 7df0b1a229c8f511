import { say } from '../say'
import type { Sex } from '../anatomy/ids'
import { constant, hipPerHeight, term } from './basis'
import type { Equation, Variant } from './types'

const adiposity = (sex: Sex): Variant => ({
  sex,
  ages: { youngest: 18, oldest: 67 },
  population: say('methods.mexicanAmericanAdultsDualXRay'),
  citation: 'Bergman RN et al. Obesity 2011;19:1083-1089',
  grade: 'A',
  folds: [],
  girths: ['hip'],
  needs: ['heightCm'],
  gives: 'fatPercent',
  terms: [term(1, hipPerHeight), term(-18, constant)],
  standardError: null,
})

/** Hip and height. Coefficients and ages are from memory of the cited source. */
export const adiposityIndex: Equation[] = [
  {
    id: 'adiposity-index',
    name: say('methods.bodyAdiposityIndex'),
    family: say('methods.bodyAdiposityIndex'),
    contextOnly: true,
    notes: [say('methods.contextOnlyHipHeight'), say('methods.errorNotToHand')],
    variants: [adiposity('male'), adiposity('female')],
  },
]

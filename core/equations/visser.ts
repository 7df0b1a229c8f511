import { say } from '../say'
import type { Sex } from '../anatomy/ids'
import { constant, FOLDS_ALONE, log10Sum, male, term } from './basis'
import type { Equation, Variant } from './types'

const visser = (sex: Sex): Variant => ({
  ...FOLDS_ALONE,
  sex,
  ages: { youngest: 60, oldest: 87 },
  population: say('methods.olderDutch'),
  madeOn: 'older',
  citation: 'Visser M, van den Heuvel E, Deurenberg P. Br J Nutr 1994;71:823-833',
  grade: 'B',
  folds: ['biceps', 'triceps'],
  gives: 'density',
  terms: [term(0.0186, male), term(-0.03, log10Sum), term(1.0481, constant)],
  standardError: null,
})

/** Older people. Coefficients are from memory of the cited source. */
export const visserFamily: Equation[] = [
  {
    id: 'visser-2',
    name: say('methods.visserTwoFolds'),
    family: say('methods.visser'),
    standard: 'int',
    notes: [say('methods.errorNotToHand')],
    variants: [visser('male'), visser('female')],
  },
]

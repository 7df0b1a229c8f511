import { say } from '../say'
import type { Sex } from '../anatomy/ids'
import { constant, FOLDS_ALONE, log10Sum, term } from './basis'
import { DURNIN_FOLDS } from './durnin-womersley'
import type { Equation, Variant } from './types'

const shared = {
  ...FOLDS_ALONE,
  citation: 'Durnin JVGA, Rahaman MM. Br J Nutr 1967;21:681-689',
  grade: 'A',
  folds: DURNIN_FOLDS,
  gives: 'density',
  standardError: null,
} satisfies Partial<Variant>

const adults = (sex: Sex, c: number, m: number, oldest: number): Variant => ({
  ...shared,
  sex,
  ages: { youngest: 18, oldest },
  population: say('methods.youngAdultsUnderwater', {
    sex: sex === 'male' ? say('methods.men') : say('methods.women'),
  }),
  terms: [term(c, constant), term(-m, log10Sum)],
})

const youth = (sex: Sex, c: number, m: number, [youngest, oldest]: [number, number]): Variant => ({
  ...shared,
  sex,
  ages: { youngest, oldest },
  population: say('methods.youthOfAges', {
    ...{ sex: sex === 'male' ? say('methods.boys') : say('methods.girls'), youngest, oldest },
  }),
  madeOn: 'youth',
  terms: [term(c, constant), term(-m, log10Sum)],
})

/** The four folds before their age rows. Coefficients and ages are from memory of the cited source. */
export const durninRahaman: Equation[] = [
  {
    id: 'durnin-rahaman-4',
    name: say('methods.durninRahamanAdults'),
    family: say('methods.durninRahaman'),
    standard: 'dw',
    notes: [say('methods.suprailiacIliacCrestFoldJust'), say('methods.errorNotToHand')],
    variants: [adults('male', 1.161, 0.0632, 33), adults('female', 1.1581, 0.072, 29)],
  },
  {
    id: 'durnin-rahaman-youth',
    name: say('methods.durninRahamanYouth'),
    family: say('methods.durninRahaman'),
    standard: 'dw',
    notes: [say('methods.youthGuardianNoDeficit'), say('methods.errorNotToHand')],
    variants: [youth('male', 1.1533, 0.0643, [12, 15]), youth('female', 1.1369, 0.0598, [13, 16])],
  },
]

import { say } from '../say'
import type { Sex } from '../anatomy/ids'
import { age, bmi, constant, FOLDS_ALONE, inStage, log10Sum, male, product, term } from './basis'
import { DURNIN_FOLDS } from './durnin-womersley'
import { PUBERTY_STAGES, type Equation, type Variant } from './types'

const youthOf = (sex: Sex) => (sex === 'male' ? say('methods.boys') : say('methods.girls'))

const byBmi = (sex: Sex): Variant => ({
  sex,
  ages: { youngest: 7, oldest: 15 },
  population: say('methods.youthOfAges', { sex: youthOf(sex), youngest: 7, oldest: 15 }),
  madeOn: 'youth',
  citation: 'Deurenberg P, Weststrate JA, Seidell JC. Br J Nutr 1991;65:105-114',
  grade: 'A',
  folds: [],
  girths: [],
  needs: ['heightCm', 'massKg'],
  gives: 'fatPercent',
  terms: [term(1.51, bmi), term(-0.7, age), term(-3.6, male), term(1.4, constant)],
  standardError: null,
})

/** @param rows before, in and after puberty: c + m log S + a age */
const byPuberty = (sex: Sex, rows: [number, number, number][]): Variant => ({
  ...FOLDS_ALONE,
  sex,
  ages: { youngest: 7, oldest: 20 },
  population: say('methods.youthOfAges', { sex: youthOf(sex), youngest: 7, oldest: 20 }),
  madeOn: 'youth',
  citation: 'Deurenberg P, Pieters JJL, Hautvast JGAJ. Br J Nutr 1990;63:293-303',
  grade: 'B',
  folds: DURNIN_FOLDS,
  needs: ['puberty'],
  gives: 'density',
  terms: PUBERTY_STAGES.flatMap((stage, i) => {
    const [c, m, byAge] = rows[i]!
    const within = inStage(stage)
    return [
      ...[term(c, within), term(m, product(within, log10Sum))],
      ...(byAge === 0 ? [] : [term(byAge, product(within, age))]),
    ]
  }),
  standardError: null,
})

/** Youth, by BMI and by folds. Coefficients and ages are from memory of the cited sources. */
export const deurenbergYouth: Equation[] = [
  {
    id: 'deurenberg-bmi-youth',
    name: say('methods.deurenbergBmiYouth'),
    family: say('methods.deurenberg'),
    contextOnly: true,
    notes: [
      ...[say('methods.contextOnlyHeightMassAlone'), say('methods.youthGuardianNoDeficit')],
      say('methods.errorNotToHand'),
    ],
    variants: [byBmi('male'), byBmi('female')],
  },
  {
    id: 'deurenberg-4-youth',
    name: say('methods.deurenbergFoldsYouth'),
    family: say('methods.deurenberg'),
    standard: 'dw',
    notes: [
      ...[say('methods.pubertyFromGuardian'), say('methods.youthGuardianNoDeficit')],
      say('methods.errorNotToHand'),
    ],
    variants: [
      byPuberty('male', [
        [1.1133, -0.0561, 0.0017],
        [1.0555, -0.0352, 0.0038],
        [1.1324, -0.0429, 0],
      ]),
      byPuberty('female', [
        [1.1187, -0.063, 0.0019],
        [1.1074, -0.0504, 0.0016],
        [1.183, -0.0813, 0],
      ]),
    ],
  },
]

import { say } from '../say'
import type { Sex } from '../anatomy/ids'
import { constant, group, inStage, product, sum, sumOver, sumSquared, sumUpTo, term } from './basis'
import { PUBERTY_STAGES, type Equation, type Variant } from './types'

function slaughter(sex: Sex, slope: number, intercept: number): Variant {
  return {
    sex,
    ages: { youngest: 8, oldest: 17 },
    population: say('methods.n817YearsFourCompartment', {
      sex: sex === 'male' ? say('methods.boys') : say('methods.girls'),
    }),
    madeOn: 'youth',
    citation: 'Slaughter MH et al. Hum Biol 1988;60:709-723',
    grade: 'A',
    folds: ['triceps', 'medial_calf'],
    girths: [],
    needs: [],
    gives: 'fatPercent',
    terms: [term(slope, sum), term(intercept, constant)],
    standardError: { of: 'fatPercent', value: 3.8 },
  }
}

/** Where the form for triceps and subscapular changes its piece, mm. */
const PIECE_MM = 35
const [upTo, over] = [sumUpTo(PIECE_MM), sumOver(PIECE_MM)]

const subscapular = {
  ages: { youngest: 8, oldest: 17 },
  madeOn: 'youth',
  citation: 'Slaughter MH et al. Hum Biol 1988;60:709-723',
  folds: ['triceps', 'subscapular'],
  girths: [],
  gives: 'fatPercent',
  standardError: { of: 'fatPercent', value: 3.8 },
} satisfies Partial<Variant>

/** What the boys' form takes off up to 35 mm by stage of puberty, points: of its own, and more by the source's term. */
const BOYS_OFF = { before: [1.7, 1.5], in: [3.4, 1.8], after: [5.5, 1.3] } as const

const boysSubscapular: Variant = {
  ...subscapular,
  sex: 'male',
  grade: 'A',
  population: say('methods.n817YearsFourCompartment', { sex: say('methods.boys') }),
  needs: ['puberty'],
  terms: [
    ...[term(1.21, product(upTo, sum)), term(-0.008, product(upTo, sumSquared))],
    ...PUBERTY_STAGES.flatMap((stage) => [
      term(-BOYS_OFF[stage][0], product(upTo, inStage(stage))),
      term(-BOYS_OFF[stage][1], product(upTo, inStage(stage), group)),
    ]),
    ...[term(0.783, product(over, sum)), term(1.6, over)],
  ],
}

const girlsSubscapular: Variant = {
  ...subscapular,
  sex: 'female',
  grade: 'B',
  population: say('methods.n817YearsFourCompartment', { sex: say('methods.girls') }),
  needs: [],
  terms: [
    ...[term(1.33, product(upTo, sum)), term(-0.013, product(upTo, sumSquared))],
    ...[term(-2.5, upTo), term(0.5, product(upTo, group))],
    ...[term(0.546, product(over, sum)), term(9.7, over)],
  ],
}

/** Youth. Coefficients are from memory of the cited source. */
export const slaughterFamily: Equation[] = [
  {
    id: 'slaughter-2-calf',
    name: say('methods.slaughterTricepsCalf'),
    family: say('methods.slaughter'),
    standard: 'us',
    notes: [say('methods.n817YearsConsentGuardian')],
    variants: [slaughter('male', 0.735, 1), slaughter('female', 0.61, 5.1)],
  },
  {
    id: 'slaughter-2',
    name: say('methods.slaughterTricepsSubscapular'),
    family: say('methods.slaughter'),
    standard: 'us',
    notes: [
      say('methods.n817YearsConsentGuardian'),
      say('methods.pubertyFromGuardian'),
      say('methods.jumpsAt35'),
      say('methods.sourceHasTermBlackYouth'),
    ],
    variants: [boysSubscapular, girlsSubscapular],
  },
]

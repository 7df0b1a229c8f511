import { say } from '../say'
import type { KnownFold, Sex } from '../anatomy/ids'
import { constant, FOLDS_ALONE, sum, sumSquared, term } from './basis'
import type { Equation, Variant } from './types'

/** From memory of the source, which the list of coefficients does not name. */
const SEVEN: KnownFold[] = [
  ...(['triceps', 'subscapular', 'midaxillary', 'suprailiac'] as const),
  ...(['abdominal', 'thigh', 'medial_calf'] as const),
]

function thorland(sex: Sex, folds: KnownFold[], c: [number, number, number], at: number): Variant {
  return {
    ...FOLDS_ALONE,
    sex,
    ages: sex === 'male' ? { youngest: 14, oldest: 19 } : { youngest: 11, oldest: 19 },
    population: say('methods.youngAthletesUnderwater', {
      sex: sex === 'male' ? say('methods.boys') : say('methods.girls'),
    }),
    madeOn: 'young-athletes',
    citation: 'Thorland WG et al. Med Sci Sports Exerc 1984;16:77-81',
    grade: 'B',
    folds,
    gives: 'density',
    terms: [term(c[0], constant), term(c[1], sum), term(c[2], sumSquared)],
    standardError: null,
    turning: { of: 'sum', at },
  }
}

const NOTES = [say('methods.youthGuardianNoDeficit'), say('methods.errorNotToHand')]

/** Young athletes. Coefficients and ages are from memory of the cited source. */
export const thorlandFamily: Equation[] = [
  {
    id: 'thorland-7',
    name: say('methods.thorlandSeven'),
    family: say('methods.thorland'),
    standard: 'us',
    notes: NOTES,
    variants: [
      thorland('male', SEVEN, [1.1091, -0.00052, 0.00000032], 812),
      thorland('female', SEVEN, [1.1046, -0.00059, 0.0000006], 491),
    ],
  },
  {
    id: 'thorland-3',
    name: say('methods.thorlandThree'),
    family: say('methods.thorland'),
    standard: 'us',
    notes: NOTES,
    variants: [
      thorland(
        'male',
        ['triceps', 'subscapular', 'midaxillary'],
        [1.1136, -0.00154, 0.00000516],
        149,
      ),
      thorland(
        'female',
        ['triceps', 'subscapular', 'suprailiac'],
        [1.0987, -0.00122, 0.00000263],
        231,
      ),
    ],
  },
]

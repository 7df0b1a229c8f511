import { say } from '../say'
import type { Sex, KnownFold } from '../anatomy/ids'
import { constant, foldOf, FOLDS_ALONE, term } from './basis'
import type { Equation, Variant } from './types'

function sloan(
  sex: Sex,
  [youngest, oldest]: [number, number],
  citation: string,
  c0: number,
  pair: [KnownFold, number][],
  densityError: number,
): Variant {
  return {
    sex,
    ages: { youngest, oldest },
    population: say('methods.yearsUnderwaterWeighing', {
      sex: sex === 'male' ? say('methods.men') : say('methods.women'),
      youngest,
      oldest,
    }),
    citation,
    grade: 'B',
    folds: pair.map(([site]) => site),
    ...FOLDS_ALONE,
    gives: 'density',
    terms: [term(c0, constant), ...pair.map(([site, slope]) => term(slope, foldOf(site)))],
    standardError: { of: 'density', value: densityError },
  }
}

/** Young adults. Coefficients are from memory of the cited sources. */
export const sloanFamily: Equation[] = [
  {
    id: 'sloan-2',
    name: say('methods.sloanTwoFolds'),
    family: say('methods.sloan'),
    standard: 'us',
    notes: [say('methods.womensSuprailiacVerticalFoldCrest')],
    variants: [
      sloan(
        'male',
        [18, 26],
        'Sloan AW. J Appl Physiol 1967;23:311-315',
        1.1043,
        [
          ['thigh', -0.001327],
          ['subscapular', -0.00131],
        ],
        0.007,
      ),
      sloan(
        'female',
        [17, 25],
        'Sloan AW, Burt JJ, Blyth CS. J Appl Physiol 1962;17:967-970',
        1.0764,
        [
          ['suprailiac_sloan', -0.00081],
          ['triceps', -0.00088],
        ],
        0.008,
      ),
    ],
  },
]

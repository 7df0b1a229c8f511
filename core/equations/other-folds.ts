import type { Sex, SkinfoldId } from '../anatomy/ids'
import { constant, foldOf, sum, sumPerPound, term } from './basis'
import type { Equation, Variant } from './types'

/* Fold equations for young adults, for youth, and one of common practice. From memory of the cited sources. */

function sloan(
  sex: Sex,
  [youngest, oldest]: [number, number],
  citation: string,
  c0: number,
  pair: [SkinfoldId, number][],
  densityError: number,
): Variant {
  return {
    sex,
    ages: { youngest, oldest },
    population: `${sex === 'male' ? 'men' : 'women'} of ${youngest} to ${oldest} years, underwater weighing`,
    citation,
    grade: 'B',
    folds: pair.map(([site]) => site),
    girths: [],
    needs: [],
    gives: 'density',
    terms: [term(c0, constant), ...pair.map(([site, slope]) => term(slope, foldOf(site)))],
    standardError: { of: 'density', value: densityError },
  }
}

function slaughter(sex: Sex, slope: number, intercept: number): Variant {
  return {
    sex,
    ages: { youngest: 8, oldest: 17 },
    population: `${sex === 'male' ? 'boys' : 'girls'} of 8 to 17 years, four-compartment model`,
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

const NINE_FOLDS: SkinfoldId[] = [
  'chest',
  'subscapular',
  'biceps',
  'triceps',
  'lower_back',
  'suprailiac',
  'abdominal',
  'thigh',
  'medial_calf',
]

const nineSite = (sex: Sex): Variant => ({
  sex,
  ages: null,
  population: 'physique athletes',
  citation: 'common practice among physique coaches, no published source',
  grade: 'common practice',
  folds: NINE_FOLDS,
  girths: [],
  needs: ['massKg'],
  gives: 'fatPercent',
  terms: [term(27, sumPerPound)],
  standardError: null,
})

export const otherFolds: Equation[] = [
  {
    id: 'sloan-2',
    name: 'Sloan, two folds',
    family: 'Sloan',
    school: 'us',
    notes: [
      'The women’s suprailiac is a vertical fold on the crest in the midaxillary line: a site of its own, never taken from the suprailiac.',
    ],
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
  {
    id: 'slaughter-2-calf',
    name: 'Slaughter, triceps and calf',
    family: 'Slaughter',
    school: 'us',
    notes: ['For 8 to 17 years. Consent of a guardian comes first; no deficit is planned from it.'],
    variants: [slaughter('male', 0.735, 1), slaughter('female', 0.61, 5.1)],
  },
  {
    id: 'nine-site-ratio',
    name: 'Nine folds over body mass',
    family: 'Nine-site ratio',
    school: 'us',
    notes: [
      'Common practice, with no published source, sample or error. Good for following one person, not for a level.',
      'The lower back is the gym’s own site; the other eight are American textbook sites.',
    ],
    variants: [nineSite('male'), nineSite('female')],
  },
]

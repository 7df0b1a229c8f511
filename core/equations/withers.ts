import { say } from '../say'
import type { KnownFold } from '../anatomy/ids'
import { constant, FOLDS_ALONE, log10Sum, sum, term } from './basis'
import type { Equation } from './types'

/** By the international standard. */
export const WITHERS_SEVEN: KnownFold[] = [
  'triceps',
  'subscapular',
  'biceps',
  'supraspinale',
  'abdominal',
  'front_thigh',
  'medial_calf',
]

/** Athletes. Coefficients are from memory of the cited sources. */
export const withers: Equation[] = [
  {
    id: 'withers-7',
    name: say('methods.withersSevenFolds'),
    family: say('methods.withers'),
    standard: 'int',
    notes: [],
    variants: [
      {
        ...FOLDS_ALONE,
        sex: 'male',
        ages: { youngest: 15, oldest: 39 },
        madeOn: 'athletes',
        population: say('methods.maleAthletes1539Years'),
        citation: 'Withers RT et al. Eur J Appl Physiol 1987;56:191-200',
        grade: 'A',
        folds: WITHERS_SEVEN,
        gives: 'density',
        terms: [term(1.0988, constant), term(-0.0004, sum)],
        standardError: { of: 'density', value: 0.006 },
      },
    ],
  },
  {
    id: 'withers-4',
    name: say('methods.withersFourFolds'),
    family: say('methods.withers'),
    standard: 'int',
    notes: [],
    variants: [
      {
        ...FOLDS_ALONE,
        sex: 'female',
        ages: { youngest: 11, oldest: 41 },
        madeOn: 'athletes',
        population: say('methods.femaleAthletes1141Years'),
        citation: 'Withers RT et al. Eur J Appl Physiol 1987;56:169-180',
        grade: 'B',
        folds: ['triceps', 'subscapular', 'supraspinale', 'medial_calf'],
        gives: 'density',
        terms: [term(1.17484, constant), term(-0.07229, log10Sum)],
        standardError: { of: 'density', value: 0.006 },
      },
    ],
  },
]

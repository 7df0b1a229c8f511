import { say } from '../say'
import type { KnownFold } from '../anatomy/ids'
import { constant, FOLDS_ALONE, sum, term } from './basis'
import type { Equation, Variant } from './types'

export const CARTER_SIX: KnownFold[] = [
  'triceps',
  'subscapular',
  'supraspinale',
  'abdominal',
  'front_thigh',
  'medial_calf',
]

function carter(sex: 'male' | 'female', slope: number, intercept: number): Variant {
  return {
    ...FOLDS_ALONE,
    sex,
    ages: { youngest: 18, oldest: 30 },
    population: say('methods.olympicAthletes'),
    madeOn: 'athletes',
    citation:
      'Carter JEL. In: Physical Structure of Olympic Athletes I, Karger, 1982:107-116 (modified Yuhasz)',
    grade: 'B',
    folds: CARTER_SIX,
    gives: 'fatPercent',
    terms: [term(slope, sum), term(intercept, constant)],
    standardError: null,
  }
}

/** Athletes. Coefficients are from memory of the cited sources. */
export const carterFamily: Equation[] = [
  {
    id: 'carter-6',
    name: say('methods.carterSixFolds'),
    family: say('methods.carter'),
    standard: 'int',
    notes: [say('methods.sourceStatesStandardError')],
    variants: [carter('male', 0.1051, 2.585), carter('female', 0.1548, 3.58)],
  },
]

import { say } from '../say'
import type { KnownFold } from '../anatomy/ids'
import { constant, FOLDS_ALONE, group, male, sum, term } from './basis'
import { SEVEN_FOLDS } from './jackson-pollock'
import type { Equation, Variant } from './types'

function evans(
  sex: 'male' | 'female',
  folds: KnownFold[],
  [c0, slope, bySex, byGroup]: [number, number, number, number],
): Variant {
  return {
    ...FOLDS_ALONE,
    sex,
    ages: { youngest: 18, oldest: 27 },
    population: say('methods.collegeAthletesFourCompartmentModel'),
    madeOn: 'athletes',
    citation: 'Evans EM et al. Med Sci Sports Exerc 2005;37:2006-2011',
    grade: 'B',
    folds,
    gives: 'fatPercent',
    terms: [term(c0, constant), term(slope, sum), term(bySex, male), term(byGroup, group)],
    standardError: { of: 'fatPercent', value: 3.6 },
  }
}

const EVANS_NOTE = say('methods.sourceHasTermBlackAthletes')

const EVANS_SEVEN: [number, number, number, number] = [10.566, 0.12077, -8.057, -2.545]

const EVANS_THREE: [number, number, number, number] = [8.997, 0.24658, -6.343, -1.998]

const EVANS_THREE_FOLDS: KnownFold[] = ['abdominal', 'thigh', 'triceps']

/** College athletes. Coefficients are from memory of the cited source. */
export const evansFamily: Equation[] = [
  {
    id: 'evans-7',
    name: say('methods.evansSevenFolds'),
    family: say('methods.evans'),
    standard: 'us',
    notes: [EVANS_NOTE],
    variants: [evans('male', SEVEN_FOLDS, EVANS_SEVEN), evans('female', SEVEN_FOLDS, EVANS_SEVEN)],
  },
  {
    id: 'evans-3',
    name: say('methods.evansThreeFolds'),
    family: say('methods.evans'),
    standard: 'us',
    notes: [EVANS_NOTE],
    variants: [
      evans('male', EVANS_THREE_FOLDS, EVANS_THREE),
      evans('female', EVANS_THREE_FOLDS, EVANS_THREE),
    ],
  },
]

import type { SkinfoldId } from '../anatomy/ids'
import { SEVEN_FOLDS } from './jackson-pollock'
import { constant, group, log10Sum, male, sum, term } from './basis'
import type { Equation, Variant } from './types'

/* Equations from samples of athletes. Coefficients are from memory of the cited sources. */

const WITHERS_SEVEN: SkinfoldId[] = [
  'triceps',
  'subscapular',
  'biceps',
  'supraspinale',
  'abdominal',
  'front_thigh',
  'medial_calf',
]

const CARTER_SIX: SkinfoldId[] = [
  'triceps',
  'subscapular',
  'supraspinale',
  'abdominal',
  'front_thigh',
  'medial_calf',
]

const noTape = { girths: [], needs: [] } satisfies Partial<Variant>

function carter(sex: 'male' | 'female', slope: number, intercept: number): Variant {
  return {
    ...noTape,
    sex,
    ages: { youngest: 18, oldest: 30 },
    population: 'Olympic athletes',
    citation:
      'Carter JEL. In: Physical Structure of Olympic Athletes I, Karger, 1982:107-116 (modified Yuhasz)',
    grade: 'B',
    folds: CARTER_SIX,
    gives: 'fatPercent',
    terms: [term(slope, sum), term(intercept, constant)],
    standardError: null,
  }
}

function evans(
  sex: 'male' | 'female',
  folds: SkinfoldId[],
  [c0, slope, bySex, byGroup]: [number, number, number, number],
): Variant {
  return {
    ...noTape,
    sex,
    ages: { youngest: 18, oldest: 27 },
    population: 'college athletes, four-compartment model',
    citation: 'Evans EM et al. Med Sci Sports Exerc 2005;37:2006-2011',
    grade: 'B',
    folds,
    gives: 'fatPercent',
    terms: [term(c0, constant), term(slope, sum), term(bySex, male), term(byGroup, group)],
    standardError: { of: 'fatPercent', value: 3.6 },
  }
}

const EVANS_NOTE =
  'The source has a term for Black athletes. It is off unless the coach sets it for the client; when it is on, the result says so.'
const EVANS_SEVEN: [number, number, number, number] = [10.566, 0.12077, -8.057, -2.545]
const EVANS_THREE: [number, number, number, number] = [8.997, 0.24658, -6.343, -1.998]
const EVANS_THREE_FOLDS: SkinfoldId[] = ['abdominal', 'thigh', 'triceps']

export const athletes: Equation[] = [
  {
    id: 'withers-7',
    name: 'Withers, seven folds',
    family: 'Withers',
    school: 'int',
    notes: [],
    variants: [
      {
        ...noTape,
        sex: 'male',
        ages: { youngest: 15, oldest: 39 },
        population: 'male athletes of 15 to 39 years, underwater weighing',
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
    name: 'Withers, four folds',
    family: 'Withers',
    school: 'int',
    notes: [],
    variants: [
      {
        ...noTape,
        sex: 'female',
        ages: { youngest: 11, oldest: 41 },
        population: 'female athletes of 11 to 41 years, underwater weighing',
        citation: 'Withers RT et al. Eur J Appl Physiol 1987;56:169-180',
        grade: 'B',
        folds: ['triceps', 'subscapular', 'supraspinale', 'medial_calf'],
        gives: 'density',
        terms: [term(1.17484, constant), term(-0.07229, log10Sum)],
        standardError: { of: 'density', value: 0.006 },
      },
    ],
  },
  {
    id: 'carter-6',
    name: 'Carter, six folds',
    family: 'Carter',
    school: 'int',
    notes: ['The source states no standard error.'],
    variants: [carter('male', 0.1051, 2.585), carter('female', 0.1548, 3.58)],
  },
  {
    id: 'faulkner-4',
    name: 'Faulkner, four folds',
    family: 'Faulkner',
    school: 'int',
    notes: [
      'Never gives less than 5.8 %, whatever the folds: no use for the very lean.',
      'The source states neither ages nor a standard error.',
    ],
    variants: [
      {
        ...noTape,
        sex: 'male',
        ages: null,
        population: 'male swimmers',
        citation: 'Faulkner JA. In: Falls HB (ed), Exercise Physiology, 1968:415-446',
        grade: 'B',
        folds: ['triceps', 'subscapular', 'supraspinale', 'abdominal'],
        gives: 'fatPercent',
        terms: [term(0.153, sum), term(5.783, constant)],
        standardError: null,
      },
    ],
  },
  {
    id: 'evans-7',
    name: 'Evans, seven folds',
    family: 'Evans',
    school: 'us',
    notes: [EVANS_NOTE],
    variants: [evans('male', SEVEN_FOLDS, EVANS_SEVEN), evans('female', SEVEN_FOLDS, EVANS_SEVEN)],
  },
  {
    id: 'evans-3',
    name: 'Evans, three folds',
    family: 'Evans',
    school: 'us',
    notes: [EVANS_NOTE],
    variants: [
      evans('male', EVANS_THREE_FOLDS, EVANS_THREE),
      evans('female', EVANS_THREE_FOLDS, EVANS_THREE),
    ],
  },
]

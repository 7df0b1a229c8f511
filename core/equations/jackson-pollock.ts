import type { SkinfoldId } from '../anatomy/ids'
import { age, constant, sum, sumSquared, term } from './basis'
import type { Equation, Term, Variant } from './types'

/*
 * Generalised equations of Jackson and Pollock. Coefficients are from memory of the cited papers.
 */

const MEN = {
  sex: 'male',
  ages: { youngest: 18, oldest: 61 },
  population: 'men of 18 to 61 years, hydrostatic weighing',
} as const

const WOMEN = {
  sex: 'female',
  ages: { youngest: 18, oldest: 55 },
  population: 'women of 18 to 55 years, hydrostatic weighing',
} as const

const PAPER_1978 = 'Jackson AS, Pollock ML. Br J Nutr 1978;40:497-504'
const PAPER_1980 = 'Jackson AS, Pollock ML, Ward A. Med Sci Sports Exerc 1980;12:175-181'

export const SEVEN_FOLDS: SkinfoldId[] = [
  'chest',
  'midaxillary',
  'triceps',
  'subscapular',
  'abdominal',
  'suprailiac',
  'thigh',
]

/** c0 + c1 S + c2 S² + c3 age, the shape of every equation of the family. */
function quadratic(c0: number, c1: number, c2: number, c3: number): Term[] {
  return [term(c0, constant), term(c1, sum), term(c2, sumSquared), term(c3, age)]
}

function density(
  person: typeof MEN | typeof WOMEN,
  details: Pick<Variant, 'citation' | 'grade' | 'folds' | 'terms' | 'standardError'> &
    Partial<Pick<Variant, 'sampleSums' | 'turningSum'>>,
): Variant {
  return { ...person, girths: [], needs: [], gives: 'density', ...details }
}

export const jacksonPollock: Equation[] = [
  {
    id: 'jackson-pollock-7',
    name: 'Jackson-Pollock, seven folds',
    family: 'Jackson-Pollock',
    school: 'us',
    notes: [],
    variants: [
      density(MEN, {
        citation: PAPER_1978,
        grade: 'A',
        folds: SEVEN_FOLDS,
        terms: quadratic(1.112, -0.00043499, 0.00000055, -0.00028826),
        standardError: { of: 'density', value: 0.0078 },
        sampleSums: [32, 272],
        turningSum: 395,
      }),
      density(WOMEN, {
        citation: PAPER_1980,
        grade: 'A',
        folds: SEVEN_FOLDS,
        terms: quadratic(1.097, -0.00046971, 0.00000056, -0.00012828),
        standardError: { of: 'density', value: 0.008 },
        sampleSums: [35, 266],
        turningSum: 419,
      }),
    ],
  },
  {
    id: 'jackson-pollock-3',
    name: 'Jackson-Pollock, three folds',
    family: 'Jackson-Pollock',
    school: 'us',
    notes: [],
    variants: [
      density(MEN, {
        citation: PAPER_1978,
        grade: 'A',
        folds: ['chest', 'abdominal', 'thigh'],
        terms: quadratic(1.10938, -0.0008267, 0.0000016, -0.0002574),
        standardError: { of: 'density', value: 0.0077 },
        sampleSums: [14, 118],
        turningSum: 258,
      }),
      density(WOMEN, {
        citation: PAPER_1980,
        grade: 'A',
        folds: ['triceps', 'suprailiac', 'thigh'],
        terms: quadratic(1.0994921, -0.0009929, 0.0000023, -0.0001392),
        standardError: { of: 'density', value: 0.0086 },
        sampleSums: [16, 126],
        turningSum: 216,
      }),
    ],
  },
]

import { say } from '../say'
import { SKINFOLD_IDS, type KnownFold } from '../anatomy/ids'
import { age, constant, FOLDS_ALONE, sum, sumSquared, term } from './basis'
import type { Equation, Term, Variant } from './types'

/*
 * Generalised equations of Jackson and Pollock. Coefficients are from memory of the cited papers.
 */

const MEN = {
  sex: 'male',
  ages: { youngest: 18, oldest: 61 },
  population: say('methods.men1861YearsUnderwater'),
} as const

const WOMEN = {
  sex: 'female',
  ages: { youngest: 18, oldest: 55 },
  population: say('methods.women1855YearsUnderwater'),
} as const

type Person = typeof MEN | typeof WOMEN

const PAPER_1978 = 'Jackson AS, Pollock ML. Br J Nutr 1978;40:497-504'
const PAPER_1980 = 'Jackson AS, Pollock ML, Ward A. Med Sci Sports Exerc 1980;12:175-181'
const UPPER = 'Pollock ML, Schmidt DH, Jackson AS. Compr Ther 1980;6(9):12-27'
const DIRECT = 'Jackson AS, Pollock ML. Phys Sportsmed 1985;13(5):76-90'

/** Chest, midaxillary, triceps, subscapular, abdominal, suprailiac, thigh: all ids begin with them. */
export const SEVEN_FOLDS: KnownFold[] = SKINFOLD_IDS.slice(0, 7)

const FOUR_FOLDS: KnownFold[] = ['triceps', 'abdominal', 'suprailiac', 'thigh']
const THREE_DIRECT: KnownFold[] = ['triceps', 'abdominal', 'suprailiac']

/** c0 + c1 S + c2 S² + c3 age, the shape of every equation of the family. */
function quadratic(c0: number, c1: number, c2: number, c3: number): Term[] {
  return [term(c0, constant), term(c1, sum), term(c2, sumSquared), term(c3, age)]
}

/** One row of the family: who, which folds, the four coefficients, where the parabola turns over. */
function variant(
  person: Person,
  gives: Variant['gives'],
  folds: KnownFold[],
  coefficients: [number, number, number, number],
  turnsAt: number,
  details: Pick<Variant, 'citation' | 'grade' | 'standardError' | 'sampleSums'>,
): Variant {
  return {
    ...person,
    gives,
    folds,
    ...FOLDS_ALONE,
    terms: quadratic(...coefficients),
    turning: { of: 'sum', at: turnsAt },
    ...details,
  }
}

const family = { family: say('methods.jacksonPollock'), standard: 'us' } as const

/** Where a row is from, how well it is confirmed, its standard error, and the sums of folds it was made from. */
const source = (
  citation: string,
  grade: Variant['grade'],
  [of, value]: ['density' | 'fatPercent', number],
  sampleSums?: [number, number],
) => ({ citation, grade, standardError: { of, value }, ...(sampleSums ? { sampleSums } : {}) })

export const jacksonPollock: Equation[] = [
  {
    ...family,
    id: 'jackson-pollock-7',
    name: say('methods.jacksonPollockSevenFolds'),
    notes: [],
    variants: [
      variant(
        MEN,
        'density',
        SEVEN_FOLDS,
        [1.112, -0.00043499, 0.00000055, -0.00028826],
        395,
        source(PAPER_1978, 'A', ['density', 0.0078], [32, 272]),
      ),
      variant(
        WOMEN,
        'density',
        SEVEN_FOLDS,
        [1.097, -0.00046971, 0.00000056, -0.00012828],
        419,
        source(PAPER_1980, 'A', ['density', 0.008], [35, 266]),
      ),
    ],
  },
  {
    ...family,
    id: 'jackson-pollock-3',
    name: say('methods.jacksonPollockThreeFolds'),
    notes: [say('methods.muchReprintedWomensTableThese')],
    variants: [
      variant(
        MEN,
        'density',
        ['chest', 'abdominal', 'thigh'],
        [1.10938, -0.0008267, 0.0000016, -0.0002574],
        258,
        source(PAPER_1978, 'A', ['density', 0.0077], [14, 118]),
      ),
      variant(
        WOMEN,
        'density',
        ['triceps', 'suprailiac', 'thigh'],
        [1.0994921, -0.0009929, 0.0000023, -0.0001392],
        216,
        source(PAPER_1980, 'A', ['density', 0.0086], [16, 126]),
      ),
    ],
  },
  {
    ...family,
    id: 'jackson-pollock-3-upper',
    name: say('methods.jacksonPollockThreeUpperFolds'),
    notes: [say('methods.clientsWhoKeepTheirTrousers')],
    variants: [
      variant(
        MEN,
        'density',
        ['chest', 'triceps', 'subscapular'],
        [1.1125025, -0.0013125, 0.0000055, -0.000244],
        119,
        source(UPPER, 'A', ['fatPercent', 3.6]),
      ),
      variant(
        WOMEN,
        'density',
        ['triceps', 'suprailiac', 'abdominal'],
        [1.089733, -0.0009245, 0.0000025, -0.0000979],
        185,
        source(UPPER, 'B', ['fatPercent', 3.9]),
      ),
    ],
  },
  {
    ...family,
    id: 'jackson-pollock-4',
    name: say('methods.jacksonPollockFourFolds'),
    notes: [],
    variants: [
      variant(
        WOMEN,
        'density',
        FOUR_FOLDS,
        [1.096095, -0.0006952, 0.0000011, -0.0000714],
        316,
        source(PAPER_1980, 'B', ['density', 0.0084]),
      ),
    ],
  },
  {
    ...family,
    id: 'jackson-pollock-4-direct',
    name: say('methods.jacksonPollockFourFoldsFat'),
    notes: [],
    variants: [
      variant(
        MEN,
        'fatPercent',
        FOUR_FOLDS,
        [-5.76377, 0.29288, -0.0005, 0.15845],
        293,
        source(DIRECT, 'B', ['fatPercent', 3.5]),
      ),
      variant(
        WOMEN,
        'fatPercent',
        FOUR_FOLDS,
        [1.4072, 0.29669, -0.00043, 0.02963],
        345,
        source(DIRECT, 'B', ['fatPercent', 3.9]),
      ),
    ],
  },
  {
    ...family,
    id: 'jackson-pollock-3-direct',
    name: say('methods.jacksonPollockThreeFoldsFat'),
    notes: [],
    variants: [
      variant(
        MEN,
        'fatPercent',
        THREE_DIRECT,
        [-5.18845, 0.39287, -0.00105, 0.15772],
        187,
        source(DIRECT, 'B', ['fatPercent', 3.6]),
      ),
      variant(
        WOMEN,
        'fatPercent',
        THREE_DIRECT,
        [4.03653, 0.41563, -0.00112, 0.03661],
        186,
        source(DIRECT, 'A', ['fatPercent', 4]),
      ),
    ],
  },
]

import { say } from '../say'
import type { KnownFold } from '../anatomy/ids'
import { constant, FOLDS_ALONE, log10Sum, term } from './basis'
import type { AgeRow, Equation, Variant } from './types'

/* Coefficients are from memory of the cited paper. */

export const DURNIN_FOLDS: KnownFold[] = ['biceps', 'triceps', 'subscapular', 'iliac_crest']

/** BD = c - m log10(S) for one age group. The rows jump at their edges and are never interpolated. */
function row(from: number, to: number, c: number, m: number): AgeRow {
  return { from, to, terms: [term(c, constant), term(-m, log10Sum)] }
}

const shared = {
  citation: 'Durnin JVGA, Womersley J. Br J Nutr 1974;32:77-97',
  grade: 'A',
  folds: DURNIN_FOLDS,
  ...FOLDS_ALONE,
  gives: 'density',
} satisfies Partial<Variant>

export const durninWomersley: Equation[] = [
  {
    id: 'durnin-womersley-4',
    name: say('methods.durninWomersleyFourFolds'),
    family: say('methods.durninWomersley'),
    standard: 'dw',
    notes: [
      say('methods.suprailiacIliacCrestFoldJust'),
      say('methods.ageRowsJumpTheirEdges'),
      say('methods.standardErrorsOneRecall'),
    ],
    variants: [
      {
        ...shared,
        sex: 'male',
        ages: { youngest: 17, oldest: 72 },
        population: say('methods.men1772YearsUnderwater'),
        standardError: { of: 'fatPercent', value: 5 },
        terms: [
          row(17, 19, 1.162, 0.063),
          row(20, 29, 1.1631, 0.0632),
          row(30, 39, 1.1422, 0.0544),
          row(40, 49, 1.162, 0.07),
          row(50, Infinity, 1.1715, 0.0779),
        ],
      },
      {
        ...shared,
        sex: 'female',
        ages: { youngest: 16, oldest: 68 },
        population: say('methods.women1668YearsUnderwater'),
        standardError: { of: 'fatPercent', value: 3.5 },
        terms: [
          row(16, 19, 1.1549, 0.0678),
          row(20, 29, 1.1599, 0.0717),
          row(30, 39, 1.1423, 0.0632),
          row(40, 49, 1.1333, 0.0612),
          row(50, Infinity, 1.1339, 0.0645),
        ],
      },
    ],
  },
]

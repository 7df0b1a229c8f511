import { say } from '../say'
import type { KnownGirth, Sex } from '../anatomy/ids'
import { constant, log10Girths, log10Height, log10HeightInches, term } from './basis'
import type { Equation, Variant } from './types'
import { CM_PER_INCH } from '../units/constants'

const NAVY = {
  ages: { youngest: 18, oldest: 56 },
  folds: [],
  needs: ['heightCm'],
} satisfies Partial<Variant>

const NAVY_GIRTHS: Record<Sex, KnownGirth[]> = {
  male: ['neck', 'abdomen'],
  female: ['neck', 'waist', 'hip'],
}

const NAVY_ERROR: Record<Sex, number> = { male: 3.5, female: 3.7 }

const trunkLessNeck = (sex: Sex, perUnit: 1 | typeof CM_PER_INCH) =>
  log10Girths(sex === 'male' ? ['abdomen'] : ['waist', 'hip'], 'neck', perUnit)

function hodgdonBeckett(sex: Sex, report: string, c: [number, number, number]): Variant {
  return {
    ...NAVY,
    sex,
    population: say('methods.usNavy1856Years', {
      sex: sex === 'male' ? say('methods.men') : say('methods.women'),
    }),
    citation: `Hodgdon JA, Beckett MB. Naval Health Research Center Report ${report}, 1984`,
    grade: 'B',
    girths: NAVY_GIRTHS[sex],
    gives: 'density',
    terms: [term(c[0], constant), term(c[1], trunkLessNeck(sex, 1)), term(c[2], log10Height)],
    standardError: { of: 'fatPercent', value: NAVY_ERROR[sex] },
  }
}

function navyInch(sex: Sex, c: [number, number, number]): Variant {
  return {
    ...NAVY,
    sex,
    population: say('methods.usNavy', {
      sex: sex === 'male' ? say('methods.men') : say('methods.women'),
    }),
    citation: 'Hodgdon JA, Friedl KE. NHRC Technical Document 99-2B, 1999',
    grade: 'A',
    girths: NAVY_GIRTHS[sex],
    gives: 'fatPercent',
    terms: [
      term(c[0], trunkLessNeck(sex, CM_PER_INCH)),
      term(c[1], log10HeightInches),
      term(c[2], constant),
    ],
    standardError: { of: 'fatPercent', value: NAVY_ERROR[sex] },
  }
}

const NAVY_NOTE = say('methods.densityFormInchFormSeparate')

/** Tape and height. Coefficients are from memory of the cited sources. */
export const navy: Equation[] = [
  {
    id: 'hodgdon-beckett',
    name: say('methods.usNavyTapeDensityForm'),
    family: say('methods.usNavy2'),
    notes: [NAVY_NOTE],
    variants: [
      hodgdonBeckett('male', '84-11', [1.0324, -0.19077, 0.15456]),
      hodgdonBeckett('female', '84-29', [1.29579, -0.35004, 0.221]),
    ],
  },
  {
    id: 'navy-inch',
    name: say('methods.usNavyTapeInchForm'),
    family: say('methods.usNavy2'),
    notes: [NAVY_NOTE],
    variants: [
      navyInch('male', [86.01, -70.041, 36.76]),
      navyInch('female', [163.205, -97.684, -78.387]),
    ],
  },
]

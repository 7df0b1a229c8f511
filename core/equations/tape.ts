import type { GirthId, Sex } from '../anatomy/ids'
import { CM_PER_INCH } from '../units/constants'
import {
  abdomen,
  abdomenSquared,
  age,
  bmi,
  constant,
  girthInches,
  girthOf,
  heightCm,
  heightPerIliac,
  log10Girths,
  log10Height,
  log10HeightInches,
  male,
  massKg,
  massLb,
  term,
} from './basis'
import type { Equation, Variant } from './types'

/* Tape, mass and height. Coefficients are from memory of the cited sources. */

const NAVY = {
  ages: { youngest: 18, oldest: 56 },
  folds: [],
  needs: ['heightCm'],
} satisfies Partial<Variant>
const NAVY_GIRTHS: Record<Sex, GirthId[]> = {
  male: ['neck', 'abdomen'],
  female: ['neck', 'waist', 'hip'],
}
const NAVY_ERROR: Record<Sex, number> = { male: 3.5, female: 3.7 }

/** What is left of the trunk when the neck is taken away: abdomen for men, waist and hip for women. */
const trunkLessNeck = (sex: Sex, perUnit: 1 | typeof CM_PER_INCH) =>
  log10Girths(sex === 'male' ? ['abdomen'] : ['waist', 'hip'], 'neck', perUnit)

function hodgdonBeckett(sex: Sex, report: string, c: [number, number, number]): Variant {
  return {
    ...NAVY,
    sex,
    population: `${sex === 'male' ? 'men' : 'women'} of the US Navy, 18 to 56 years, underwater weighing`,
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
    population: `${sex === 'male' ? 'men' : 'women'} of the US Navy`,
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

function army(sex: Sex, c0: number, mass: number, navel: number): Variant {
  return {
    sex,
    ages: null,
    population: 'soldiers of the US Army',
    citation: 'US Army Directive, 2023',
    grade: 'B',
    folds: [],
    girths: ['abdomen'],
    needs: ['massKg'],
    gives: 'fatPercent',
    terms: [term(c0, constant), term(mass, massLb), term(navel, girthInches('abdomen'))],
    standardError: null,
  }
}

const TWO_LEVELS: Variant['optionalGirths'] = [
  {
    girth: 'waist_midway',
    without: 'Abdomen taken at the navel alone; the source took the mean of two levels.',
  },
]

const TRAN_MEN = {
  sex: 'male',
  ages: { youngest: 21, oldest: 78 },
  population: 'men of 21 to 78 years, underwater weighing',
  folds: [],
  girths: ['abdomen', 'hip', 'iliac'],
  optionalGirths: TWO_LEVELS,
  needs: ['massKg'],
} satisfies Partial<Variant>

function relativeFatMass(sex: Sex, c0: number): Variant {
  return {
    sex,
    ages: { youngest: 20, oldest: Infinity },
    population: 'US adults of the national survey, dual X-ray absorptiometry',
    citation: 'Woolcott OO, Bergman RN. Sci Rep 2018;8:10980',
    grade: 'A',
    folds: [],
    girths: ['iliac'],
    needs: ['heightCm'],
    gives: 'fatPercent',
    terms: [term(c0, constant), term(-20, heightPerIliac)],
    // Stated as about 4 to 5; one recall.
    standardError: { of: 'fatPercent', value: 4.5 },
  }
}

const deurenberg = (sex: Sex): Variant => ({
  sex,
  ages: { youngest: 16, oldest: Infinity },
  population: 'Dutch adults from 16 years, underwater weighing',
  citation: 'Deurenberg P et al. Br J Nutr 1991;65:105-114',
  grade: 'A',
  folds: [],
  girths: [],
  needs: ['heightCm', 'massKg'],
  gives: 'fatPercent',
  terms: [term(1.2, bmi), term(0.23, age), term(-10.8, male), term(-5.4, constant)],
  standardError: { of: 'fatPercent', value: 4.1 },
})

const NAVY_NOTE =
  'The density form and the inch form are separate fits: up to about 0.3 points apart in ordinary cases and 2 at the extremes.'

export const tape: Equation[] = [
  {
    id: 'hodgdon-beckett',
    name: 'US Navy tape, density form',
    family: 'US Navy',
    notes: [NAVY_NOTE],
    variants: [
      hodgdonBeckett('male', '84-11', [1.0324, -0.19077, 0.15456]),
      hodgdonBeckett('female', '84-29', [1.29579, -0.35004, 0.221]),
    ],
  },
  {
    id: 'navy-inch',
    name: 'US Navy tape, inch form',
    family: 'US Navy',
    notes: [NAVY_NOTE],
    variants: [
      navyInch('male', [86.01, -70.041, 36.76]),
      navyInch('female', [163.205, -97.684, -78.387]),
    ],
  },
  {
    id: 'army-one-site',
    name: 'US Army, one site',
    family: 'US Army',
    notes: ['The source states neither ages nor a standard error.'],
    variants: [army('male', -26.97, -0.12, 1.99), army('female', -9.15, -0.015, 1.27)],
  },
  {
    id: 'tran-weltman',
    name: 'Tran-Weltman girths',
    family: 'Tran-Weltman',
    notes: [],
    variants: [
      {
        ...TRAN_MEN,
        citation: 'Tran ZV, Weltman A. Hum Biol 1988;60:167-175',
        grade: 'B',
        gives: 'fatPercent',
        terms: [
          term(-47.371817, constant),
          term(0.57914807, abdomen),
          term(0.25189114, girthOf('hip')),
          term(0.21366088, girthOf('iliac')),
          term(-0.35595404, massKg),
        ],
        standardError: { of: 'fatPercent', value: 3.6 },
      },
      {
        sex: 'female',
        ages: { youngest: 15, oldest: 79 },
        population: 'women of 15 to 79 years, underwater weighing',
        citation: 'Tran ZV, Weltman A. Med Sci Sports Exerc 1989;21:101-104',
        grade: 'A',
        folds: [],
        girths: ['abdomen', 'hip'],
        optionalGirths: TWO_LEVELS,
        needs: ['heightCm'],
        gives: 'density',
        terms: [
          term(1.168297, constant),
          term(-0.002824, abdomen),
          term(0.0000122098, abdomenSquared),
          term(-0.000733128, girthOf('hip')),
          term(0.000510477, heightCm),
          term(-0.000216161, age),
        ],
        standardError: { of: 'fatPercent', value: 4.2 },
        turning: { of: 'abdomen', at: 115.6 },
      },
    ],
  },
  {
    id: 'tran-weltman-density',
    name: 'Tran-Weltman girths, density form',
    family: 'Tran-Weltman',
    notes: ['Circulates among trainers as the men’s form; no published source known to us.'],
    variants: [
      {
        ...TRAN_MEN,
        citation: 'circulates among trainers as the men’s form',
        grade: 'common practice',
        gives: 'density',
        terms: [
          term(1.21142, constant),
          term(0.00085, massKg),
          term(-0.0005, girthOf('iliac')),
          term(-0.00061, girthOf('hip')),
          term(-0.00138, abdomen),
        ],
        standardError: null,
      },
    ],
  },
  {
    id: 'weltman-obese',
    name: 'Weltman, for the very overweight',
    family: 'Weltman',
    notes: ['For clients with obesity, where folds lose accuracy.'],
    variants: [
      {
        sex: 'male',
        ages: { youngest: 24, oldest: 68 },
        population: 'men with obesity of 24 to 68 years, underwater weighing',
        citation: 'Weltman A et al. Hum Biol 1987;59:523-535',
        grade: 'B',
        folds: [],
        girths: ['abdomen'],
        optionalGirths: TWO_LEVELS,
        needs: ['massKg'],
        gives: 'fatPercent',
        terms: [term(0.31457, abdomen), term(-0.10969, massKg), term(10.8336, constant)],
        standardError: { of: 'fatPercent', value: 3 },
      },
      {
        sex: 'female',
        ages: { youngest: 20, oldest: 60 },
        population: 'women with obesity of 20 to 60 years, underwater weighing',
        citation: 'Weltman A et al. Am J Clin Nutr 1988;48:1179-1183',
        grade: 'B',
        folds: [],
        girths: ['abdomen'],
        optionalGirths: TWO_LEVELS,
        needs: ['heightCm', 'massKg'],
        gives: 'fatPercent',
        terms: [
          term(0.11077, abdomen),
          term(-0.17666, heightCm),
          term(0.14354, massKg),
          term(51.03301, constant),
        ],
        standardError: { of: 'fatPercent', value: 3 },
      },
    ],
  },
  {
    id: 'relative-fat-mass',
    name: 'Relative fat mass',
    family: 'Relative fat mass',
    notes: ['Its waist is at the top of the hip crest. The standard error is from one recall.'],
    variants: [relativeFatMass('male', 64), relativeFatMass('female', 76)],
  },
  {
    id: 'deurenberg-bmi',
    name: 'Deurenberg, from BMI',
    family: 'Deurenberg',
    notes: ['Context only: from height and mass alone it over-reads muscular people.'],
    variants: [deurenberg('male'), deurenberg('female')],
  },
]

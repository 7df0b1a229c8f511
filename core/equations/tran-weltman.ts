import { say } from '../say'
import { abdomen, abdomenSquared, age, constant, girthOf, heightCm, massKg, term } from './basis'
import type { Equation, Variant } from './types'

const TWO_LEVELS: Variant['optionalGirths'] = [
  {
    girth: 'waist_midway',
    without: say('methods.abdomenTakenNavelAloneSource'),
  },
]

const TRAN_MEN = {
  sex: 'male',
  ages: { youngest: 21, oldest: 78 },
  population: say('methods.men2178YearsUnderwater'),
  folds: [],
  girths: ['abdomen', 'hip', 'iliac'],
  optionalGirths: TWO_LEVELS,
  needs: ['massKg'],
} satisfies Partial<Variant>

/** What the equations for the very overweight have in common. */
const BY_ABDOMEN = {
  grade: 'B',
  folds: [],
  girths: ['abdomen'],
  optionalGirths: TWO_LEVELS,
  gives: 'fatPercent',
} satisfies Partial<Variant>

/** Girths, mass and height. Coefficients are from memory of the cited sources. */
export const tranWeltman: Equation[] = [
  {
    id: 'tran-weltman',
    name: say('methods.tranWeltmanGirths'),
    family: say('methods.tranWeltman'),
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
        population: say('methods.women1579YearsUnderwater'),
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
    name: say('methods.tranWeltmanGirthsDensityForm'),
    family: say('methods.tranWeltman'),
    notes: [say('methods.circulatesAmongTrainersMensForm')],
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
    name: say('methods.weltmanVeryOverweight'),
    family: say('methods.weltman'),
    notes: [say('methods.clientsObesityWhereFoldsLose')],
    variants: [
      {
        sex: 'male',
        ages: { youngest: 24, oldest: 68 },
        madeOn: 'obesity',
        population: say('methods.menObesity2468Years'),
        ...BY_ABDOMEN,
        citation: 'Weltman A et al. Hum Biol 1987;59:523-535',
        needs: ['massKg'],
        terms: [term(0.31457, abdomen), term(-0.10969, massKg), term(10.8336, constant)],
        standardError: { of: 'fatPercent', value: 3 },
      },
      {
        sex: 'female',
        ages: { youngest: 20, oldest: 60 },
        madeOn: 'obesity',
        population: say('methods.womenObesity2060Years'),
        ...BY_ABDOMEN,
        citation: 'Weltman A et al. Am J Clin Nutr 1988;48:1179-1183',
        needs: ['heightCm', 'massKg'],
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
]

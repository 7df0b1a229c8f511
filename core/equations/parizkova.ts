import { say } from '../say'
import type { KnownFold } from '../anatomy/ids'
import { constant, FOLDS_ALONE, log10Sum, term } from './basis'
import type { Equation } from './types'

export const CZECH_TEN: KnownFold[] = [
  'cheek',
  'chin',
  'chest',
  'tenth_rib',
  'triceps',
  'subscapular',
  'abdominal',
  'suprailiac',
  'above_knee',
  'calf_back',
]

const TEN = { ...FOLDS_ALONE, folds: CZECH_TEN, gives: 'fatPercent', grade: 'B' } as const

/** Coefficients, ages and the ten sites are from memory of the sources. */
export const parizkovaFamily: Equation[] = [
  {
    id: 'parizkova-10',
    name: say('methods.parizkovaTenFolds'),
    family: say('methods.parizkova'),
    standard: 'czech',
    notes: [say('methods.czechSitesMemory'), say('methods.errorNotToHand')],
    variants: [
      {
        ...TEN,
        sex: 'male',
        ages: { youngest: 17, oldest: 45 },
        population: say('methods.czechMen'),
        citation: 'Pařízková J, Bůžková P. Hum Biol 1971;43:16-21',
        terms: [term(22.32, log10Sum), term(-29, constant)],
        standardError: null,
      },
      {
        ...TEN,
        sex: 'female',
        ages: { youngest: 17, oldest: 45 },
        population: say('methods.czechWomen'),
        citation: 'Pařízková J. Body Fat and Physical Fitness. Nijhoff, 1977',
        terms: [term(39.572, log10Sum), term(-61.25, constant)],
        standardError: null,
      },
    ],
  },
]

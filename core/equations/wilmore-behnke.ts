import { say } from '../say'
import { constant, FOLDS_ALONE, foldOf, girthPerMass, foldPerMass, perKg, term } from './basis'
import type { Equation, Variant } from './types'

const men = {
  sex: 'male',
  ages: { youngest: 16, oldest: 37 },
  population: say('methods.youngAdultsUnderwater', { sex: say('methods.men') }),
  citation: 'Wilmore JH, Behnke AR. J Appl Physiol 1969;27:25-31',
  grade: 'A',
  standardError: null,
} satisfies Partial<Variant>
const women = {
  sex: 'female',
  ages: { youngest: 18, oldest: 48 },
  population: say('methods.youngAdultsUnderwater', { sex: say('methods.women') }),
  citation: 'Wilmore JH, Behnke AR. Am J Clin Nutr 1970;23:267-274',
  grade: 'A',
  folds: ['subscapular', 'triceps', 'thigh'],
  standardError: null,
} satisfies Partial<Variant>

/** Young adults. Coefficients and ages are from memory of the cited sources. */
export const wilmoreBehnke: Equation[] = [
  {
    id: 'wilmore-behnke-folds',
    name: say('methods.wilmoreBehnkeFolds'),
    family: say('methods.wilmoreBehnke'),
    standard: 'us',
    notes: [say('methods.errorNotToHand')],
    variants: [
      {
        ...FOLDS_ALONE,
        ...men,
        folds: ['abdominal', 'thigh'],
        gives: 'density',
        terms: [
          ...[term(1.08543, constant), term(-0.000886, foldOf('abdominal'))],
          term(-0.0004, foldOf('thigh')),
        ],
      },
      {
        ...FOLDS_ALONE,
        ...women,
        gives: 'density',
        terms: [
          ...[term(1.06234, constant), term(-0.00068, foldOf('subscapular'))],
          ...[term(-0.00039, foldOf('triceps')), term(-0.00025, foldOf('thigh'))],
        ],
      },
    ],
  },
  {
    // Fat % = 100 (1 - lean / mass), where lean = c0 + c1 mass - what each measurement takes off.
    id: 'wilmore-behnke-lean',
    name: say('methods.wilmoreBehnkeLean'),
    family: say('methods.wilmoreBehnke'),
    standard: 'us',
    notes: [say('methods.sourceGivesLeanMass'), say('methods.errorNotToHand')],
    variants: [
      {
        ...men,
        folds: [],
        girths: ['abdomen'],
        needs: ['massKg'],
        gives: 'fatPercent',
        terms: [
          ...[term(100 - 108.17, constant), term(-100 * 44.636, perKg)],
          term(73.96, girthPerMass('abdomen')),
        ],
      },
      {
        ...women,
        girths: [],
        needs: ['massKg'],
        gives: 'fatPercent',
        terms: [
          ...[term(100 - 68, constant), term(-100 * 8.629, perKg)],
          ...[term(16.3, foldPerMass('subscapular')), term(10, foldPerMass('triceps'))],
          term(5.4, foldPerMass('thigh')),
        ],
      },
    ],
  },
]

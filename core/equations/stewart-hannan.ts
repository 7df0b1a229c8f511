import { say } from '../say'
import { constant, foldPerMass, perKg, term } from './basis'
import type { Equation } from './types'

/** Male athletes; the source gives grams of fat. Coefficients and ages are from memory of the cited source. */
export const stewartHannan: Equation[] = [
  {
    id: 'stewart-hannan-2',
    name: say('methods.stewartHannanTwo'),
    family: say('methods.stewartHannan'),
    standard: 'int',
    notes: [say('methods.madeAgainstDualXRay'), say('methods.errorNotToHand')],
    variants: [
      {
        sex: 'male',
        ages: { youngest: 18, oldest: 45 },
        population: say('methods.maleAthletesDualXRay'),
        madeOn: 'athletes',
        citation: 'Stewart AD, Hannan WJ. J Sports Sci 2000;18:263-274',
        grade: 'B',
        folds: ['abdominal', 'front_thigh'],
        girths: [],
        needs: ['massKg'],
        gives: 'fatPercent',
        // Grams over kilograms, as a share: a tenth of each coefficient.
        terms: [
          ...[term(33.15, foldPerMass('abdominal')), term(35.62, foldPerMass('front_thigh'))],
          ...[term(11.19, constant), term(-910.8, perKg)],
        ],
        standardError: null,
      },
    ],
  },
]

import { say } from '../say'
import { constant, FOLDS_ALONE, foldOf, term } from './basis'
import type { Equation } from './types'

/** Professional soccer. Coefficients are from memory of the cited source. */
export const reillyFamily: Equation[] = [
  {
    id: 'reilly-4',
    name: say('methods.reillyFourFolds'),
    family: say('methods.reilly'),
    standard: 'int',
    notes: [say('methods.madeAgainstDualXRay'), say('methods.errorNotToHand')],
    variants: [
      {
        ...FOLDS_ALONE,
        sex: 'male',
        ages: { youngest: 18, oldest: 36 },
        population: say('methods.soccerProfessionals'),
        madeOn: 'soccer',
        citation: 'Reilly T et al. Int J Sports Med 2009;30:607-613',
        grade: 'A',
        folds: ['front_thigh', 'abdominal', 'triceps', 'medial_calf'],
        gives: 'fatPercent',
        terms: [
          ...[term(5.174, constant), term(0.124, foldOf('front_thigh'))],
          ...[term(0.147, foldOf('abdominal')), term(0.196, foldOf('triceps'))],
          term(0.13, foldOf('medial_calf')),
        ],
        standardError: null,
      },
    ],
  },
]

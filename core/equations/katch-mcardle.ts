import { say } from '../say'
import { constant, FOLDS_ALONE, foldOf, girthOf, term } from './basis'
import type { Equation } from './types'

/** Young adults; the women's form counts the breadth of the elbow. Coefficients are from memory of the cited source. */
export const katchMcArdle: Equation[] = [
  {
    id: 'katch-mcardle-3',
    name: say('methods.katchMcArdleThreeFolds'),
    family: say('methods.katchMcArdle'),
    standard: 'us',
    notes: [say('methods.errorNotToHand')],
    variants: [
      {
        ...FOLDS_ALONE,
        sex: 'male',
        ages: { youngest: 17, oldest: 26 },
        population: say('methods.youngAdultsUnderwater', { sex: say('methods.men') }),
        citation: 'Katch FI, McArdle WD. Hum Biol 1973;45:445-454',
        grade: 'B',
        folds: ['triceps', 'subscapular', 'abdominal'],
        gives: 'density',
        terms: [
          ...[term(1.09665, constant), term(-0.00103, foldOf('triceps'))],
          ...[term(-0.00056, foldOf('subscapular')), term(-0.00054, foldOf('abdominal'))],
        ],
        standardError: null,
      },
    ],
  },
  {
    id: 'katch-mcardle-2-elbow',
    name: say('methods.katchMcArdleElbow'),
    family: say('methods.katchMcArdle'),
    standard: 'us',
    notes: [say('methods.errorNotToHand')],
    variants: [
      {
        ...{ sex: 'female', needs: [] },
        ages: { youngest: 17, oldest: 26 },
        population: say('methods.youngAdultsUnderwater', { sex: say('methods.women') }),
        citation: 'Katch FI, McArdle WD. Hum Biol 1973;45:445-454',
        grade: 'B',
        folds: ['subscapular', 'suprailiac'],
        girths: ['humerus', 'thigh_girth'],
        gives: 'density',
        terms: [
          ...[term(1.09246, constant), term(-0.00049, foldOf('subscapular'))],
          ...[term(-0.00075, foldOf('suprailiac')), term(0.0071, girthOf('humerus'))],
          term(-0.00121, girthOf('thigh_girth')),
        ],
        standardError: null,
      },
    ],
  },
]

import { say } from '../say'
import { age, constant, FOLDS_ALONE, girthOf, sum, sumSquared, term } from './basis'
import { SEVEN_FOLDS } from './jackson-pollock'
import type { Equation } from './types'

/** Adults, against dual X-ray absorptiometry. Coefficients and ages are from memory of the cited sources. */
export const ballFamily: Equation[] = [
  {
    id: 'ball-7',
    name: say('methods.ballSevenFolds'),
    family: say('methods.ball'),
    standard: 'us',
    notes: [say('methods.madeAgainstDualXRay')],
    variants: [
      {
        ...FOLDS_ALONE,
        sex: 'male',
        ages: { youngest: 18, oldest: 62 },
        population: say('methods.adultsDualXRay', { sex: say('methods.men') }),
        citation: 'Ball SD, Altena TS, Swan PD. Eur J Clin Nutr 2004;58:1525-1531',
        grade: 'A',
        folds: SEVEN_FOLDS,
        gives: 'fatPercent',
        terms: [
          ...[term(0.465, constant), term(0.18, sum), term(-0.0002406, sumSquared)],
          term(0.06619, age),
        ],
        standardError: { of: 'fatPercent', value: 2.2 },
        turning: { of: 'sum', at: 374 },
      },
    ],
  },
  {
    id: 'ball-3-hip',
    name: say('methods.ballThreeFoldsHip'),
    family: say('methods.ball'),
    standard: 'us',
    notes: [say('methods.madeAgainstDualXRay'), say('methods.errorNotToHand')],
    variants: [
      {
        ...{ sex: 'female', needs: [], girths: ['hip'] },
        ages: { youngest: 18, oldest: 55 },
        population: say('methods.adultsDualXRay', { sex: say('methods.women') }),
        citation: 'Ball S, Swan PD, Desimone R. Res Q Exerc Sport 2004;75:248-258',
        grade: 'B',
        folds: ['triceps', 'suprailiac', 'thigh'],
        gives: 'fatPercent',
        terms: [
          ...[term(-6.40665, constant), term(0.41946, sum), term(-0.00126, sumSquared)],
          ...[term(0.12515, girthOf('hip')), term(0.06473, age)],
        ],
        standardError: null,
        turning: { of: 'sum', at: 166 },
      },
    ],
  },
]

import { say } from '../say'
import { age, bmi, constant, heightCm, sum, sumSquared, term } from './basis'
import type { Equation, Variant } from './types'

const shared = {
  ages: { youngest: 18, oldest: 55 },
  citation: 'Peterson MJ, Czerwinski SA, Siervogel RM. Am J Clin Nutr 2003;77:1186-1191',
  grade: 'B',
  folds: ['triceps', 'subscapular', 'suprailiac', 'thigh'],
  girths: [],
  gives: 'fatPercent',
  standardError: null,
} satisfies Partial<Variant>

/** Adults, four-compartment model. Coefficients and ages are from memory of the cited source. */
export const petersonFamily: Equation[] = [
  {
    id: 'peterson-4',
    name: say('methods.petersonFourFolds'),
    family: say('methods.peterson'),
    standard: 'us',
    notes: [say('methods.errorNotToHand')],
    variants: [
      {
        ...shared,
        sex: 'male',
        population: say('methods.adultsFourCompartment', { sex: say('methods.men') }),
        needs: ['heightCm'],
        terms: [
          ...[term(20.94878, constant), term(0.1166, age), term(-0.11666, heightCm)],
          ...[term(0.42696, sum), term(-0.00159, sumSquared)],
        ],
        turning: { of: 'sum', at: 134 },
      },
      {
        ...shared,
        sex: 'female',
        population: say('methods.adultsFourCompartment', { sex: say('methods.women') }),
        needs: ['heightCm', 'massKg'],
        terms: [
          ...[term(22.18945, constant), term(0.06368, age), term(0.60404, bmi)],
          ...[term(-0.1452, heightCm), term(0.30919, sum), term(-0.00099562, sumSquared)],
        ],
        turning: { of: 'sum', at: 155 },
      },
    ],
  },
]

import { say } from '../say'
import type { Sex } from '../anatomy/ids'
import { age, constant, foldOf, girthOf, term } from './basis'
import type { Equation, Variant } from './types'

function lean(sex: Sex, [waist, triceps, byAge, c0]: [number, number, number, number]): Variant {
  return {
    sex,
    ages: { youngest: 16, oldest: 65 },
    population: say('methods.adultsUnderwater', {
      sex: sex === 'male' ? say('methods.men') : say('methods.women'),
    }),
    citation: 'Lean MEJ, Han TS, Deurenberg P. Am J Clin Nutr 1996;63:4-14',
    grade: 'A',
    folds: triceps === 0 ? [] : ['triceps'],
    girths: ['waist_midway'],
    needs: [],
    gives: 'fatPercent',
    terms: [
      term(waist, girthOf('waist_midway')),
      ...(triceps === 0 ? [] : [term(triceps, foldOf('triceps'))]),
      ...[term(byAge, age), term(c0, constant)],
    ],
    standardError: null,
  }
}

/** Waist, and a fold where there is a caliper. Coefficients and ages are from memory of the cited source. */
export const leanFamily: Equation[] = [
  {
    id: 'lean-waist',
    name: say('methods.leanWaist'),
    family: say('methods.lean'),
    notes: [say('methods.waistMidwayRibsCrest'), say('methods.errorNotToHand')],
    variants: [lean('male', [0.567, 0, 0.101, -31.8]), lean('female', [0.439, 0, 0.221, -9.4])],
  },
  {
    id: 'lean-waist-triceps',
    name: say('methods.leanWaistTriceps'),
    family: say('methods.lean'),
    standard: 'int',
    notes: [say('methods.waistMidwayRibsCrest'), say('methods.errorNotToHand')],
    variants: [
      lean('male', [0.353, 0.756, 0.235, -26.4]),
      lean('female', [0.232, 0.657, 0.215, -5.5]),
    ],
  },
]

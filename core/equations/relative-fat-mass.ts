import { say } from '../say'
import type { Sex } from '../anatomy/ids'
import { constant, heightPerIliac, term } from './basis'
import type { Equation, Variant } from './types'

function relativeFatMass(sex: Sex, c0: number): Variant {
  return {
    sex,
    ages: { youngest: 20, oldest: Infinity },
    population: say('methods.usAdultsNationalSurveyDual'),
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

/** Waist and height. Coefficients are from memory of the cited source. */
export const relativeFatMassFamily: Equation[] = [
  {
    id: 'relative-fat-mass',
    name: say('methods.relativeFatMass'),
    family: say('methods.relativeFatMass'),
    contextOnly: true,
    notes: [say('methods.contextOnlyWaistHeight'), say('methods.waistTopHipCrestStandard')],
    variants: [relativeFatMass('male', 64), relativeFatMass('female', 76)],
  },
]

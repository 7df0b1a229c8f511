import { say } from '../say'
import type { Sex } from '../anatomy/ids'
import { constant, sum, term } from './basis'
import type { Equation, Variant } from './types'

function slaughter(sex: Sex, slope: number, intercept: number): Variant {
  return {
    sex,
    ages: { youngest: 8, oldest: 17 },
    population: say('methods.n817YearsFourCompartment', {
      sex: sex === 'male' ? say('methods.boys') : say('methods.girls'),
    }),
    madeOn: 'youth',
    citation: 'Slaughter MH et al. Hum Biol 1988;60:709-723',
    grade: 'A',
    folds: ['triceps', 'medial_calf'],
    girths: [],
    needs: [],
    gives: 'fatPercent',
    terms: [term(slope, sum), term(intercept, constant)],
    standardError: { of: 'fatPercent', value: 3.8 },
  }
}

/** Youth. Coefficients are from memory of the cited source. */
export const slaughterFamily: Equation[] = [
  {
    id: 'slaughter-2-calf',
    name: say('methods.slaughterTricepsCalf'),
    family: say('methods.slaughter'),
    standard: 'us',
    notes: [say('methods.n817YearsConsentGuardian')],
    variants: [slaughter('male', 0.735, 1), slaughter('female', 0.61, 5.1)],
  },
]

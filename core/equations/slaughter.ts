import type { Sex } from '../anatomy/ids'
import { constant, sum, term } from './basis'
import type { Equation, Variant } from './types'

function slaughter(sex: Sex, slope: number, intercept: number): Variant {
  return {
    sex,
    ages: { youngest: 8, oldest: 17 },
    population: `${sex === 'male' ? 'boys' : 'girls'} of 8 to 17 years, four-compartment model`,
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
    name: 'Slaughter, triceps and calf',
    family: 'Slaughter',
    standard: 'us',
    notes: ['For 8 to 17 years. Consent of a guardian comes first; no deficit is planned from it.'],
    variants: [slaughter('male', 0.735, 1), slaughter('female', 0.61, 5.1)],
  },
]

import { say } from '../say'
import type { Sex } from '../anatomy/ids'
import { constant, girthInches, massLb, term } from './basis'
import type { Equation, Variant } from './types'

function army(sex: Sex, c0: number, mass: number, navel: number): Variant {
  return {
    sex,
    ages: null,
    population: say('methods.soldiersUsArmy'),
    citation: 'US Army Directive, 2023',
    grade: 'B',
    folds: [],
    girths: ['abdomen'],
    needs: ['massKg'],
    gives: 'fatPercent',
    terms: [term(c0, constant), term(mass, massLb), term(navel, girthInches('abdomen'))],
    standardError: null,
  }
}

/** Tape and mass. Coefficients are from memory of the cited source. */
export const armyFamily: Equation[] = [
  {
    id: 'army-one-site',
    name: say('methods.usArmyOneSite'),
    family: say('methods.usArmy'),
    notes: [say('methods.sourceStatesNeitherAgesNor')],
    variants: [army('male', -26.97, -0.12, 1.99), army('female', -9.15, -0.015, 1.27)],
  },
]

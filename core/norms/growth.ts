import { errorFunction } from 'simple-statistics'
import type { Sex } from '../anatomy/ids'
import { FIRST_MONTH, LAST_MONTH, WHO_2007 } from './who-2007'

/** Where a child or a young person stands among those of the same sex and age. */
export interface Standing {
  /** Standard deviations from the middle. */
  z: number
  /** How many in 100 of that age have less. */
  fewer: number
}

/** The value that lies z from the middle, by the method of Cole: L bends, M is the middle, S the spread. */
const valueAt = (z: number, l: number, m: number, s: number) => m * (1 + l * s * z) ** (1 / l)

/** Beyond it the reference goes on in even steps, as its authors have it for BMI: no bent tail says how rare somebody is. */
const BENT_TO = 3

/**
 * @param value in the unit of m
 * @returns standard deviations from the middle
 */
function zOf(value: number, l: number, m: number, s: number): number {
  const z = ((value / m) ** l - 1) / (l * s)
  if (Math.abs(z) <= BENT_TO) return z
  const side = Math.sign(z)
  const edge = valueAt(side * BENT_TO, l, m, s)
  const step = Math.abs(edge - valueAt(side * (BENT_TO - 1), l, m, s))
  return side * (BENT_TO + Math.abs(value - edge) / step)
}

const standing = (z: number): Standing => ({
  z,
  fewer: 50 * (1 + errorFunction(z / Math.SQRT2)),
})

const rowOf = (sex: Sex, ageMonths: number) => {
  const month = Math.floor(ageMonths)
  return month >= FIRST_MONTH && month <= LAST_MONTH
    ? WHO_2007[sex][month - FIRST_MONTH]
    : undefined
}

/**
 * BMI among those of the same sex and age by the growth reference of the World Health Organization for 5 to 19 years.
 * de Onis M et al. Bull World Health Organ 2007;85:660-667.
 *
 * @param ageMonths floored: a row of the table is of a completed month
 * @param bmi kg/m²
 * @returns undefined outside 61 to 228 months
 */
export function bmiStanding(sex: Sex, ageMonths: number, bmi: number): Standing | undefined {
  const row = rowOf(sex, ageMonths)
  return row && standing(zOf(bmi, row[0], row[1], row[2]))
}

/** Height (cm) by the same reference, whose spread of it is even. @returns undefined outside 61 to 228 months */
export function heightStanding(sex: Sex, ageMonths: number, height: number): Standing | undefined {
  const row = rowOf(sex, ageMonths)
  return row && standing(zOf(height, 1, row[3], row[4]))
}

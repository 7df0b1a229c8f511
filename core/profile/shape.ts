import type { Waist } from '../anatomy/ids'
import { waistToHeight } from '../composition/indices'
import { conicity } from '../data-quality/disagreement'
import { bmiOf } from '../units/bmi'
import { needed, type Measures } from './measures'

/* Figures of shape from waist, height and mass. From memory of the sources (grade A). */

/** Up to which BMI waist over height tells risk: over it the waist says nothing more. NICE NG246, 2025. */
export const WAIST_HEIGHT_BMI = 35

/** A body shape index. Krakauer NY, Krakauer JC. PLoS One 2012;7:e39504. @returns m^(11/6) kg^(-2/3) */
export function bodyShapeIndex(measures: Measures, waist: Waist): number {
  const { height, mass, [waist]: around } = needed(measures, ['height', 'mass', waist])
  return around / 100 / (bmiOf(mass, height) ** (2 / 3) * Math.sqrt(height / 100))
}

/** Body roundness index: 1 is a line, more is rounder. Thomas DM et al. Obesity 2013;21:2264-2271. */
export function bodyRoundness(measures: Measures, waist: Waist): number {
  const { height, [waist]: around } = needed(measures, ['height', waist])
  const ratio = around / (Math.PI * height)
  return 364.2 - 365.5 * Math.sqrt(1 - ratio ** 2)
}

/** Waist over the girth of a cylinder of the same mass and height. Valdez R. J Clin Epidemiol 1991;44:955-956. */
export function conicityIndex(measures: Measures, waist: Waist): number {
  const { height, mass, [waist]: around } = needed(measures, ['height', 'mass', waist])
  return conicity(around, mass, height)
}

/** Waist over height; not for a BMI of 35 and over. @returns undefined where the body mass index is too high for it */
export function waistToHeightLimited(measures: Measures, waist: Waist): number | undefined {
  const { height, mass, [waist]: around } = needed(measures, ['height', 'mass', waist])
  return bmiOf(mass, height) < WAIST_HEIGHT_BMI ? waistToHeight(around, height) : undefined
}

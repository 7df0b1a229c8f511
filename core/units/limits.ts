/**
 * Plausibility limits. Judgement, no published screening limit: hard is a slip for certain, soft asks for a second
 * look. Folds in mm; girths and height in cm; mass in kg.
 */
export interface Limits {
  hardLow: number
  softLow: number
  softHighMale: number
  softHighFemale: number
  hardHigh: number
}

export function limits(
  hardLow: number,
  softLow: number,
  softHighMale: number,
  softHighFemale: number,
  hardHigh: number,
): Limits {
  return { hardLow, softLow, softHighMale, softHighFemale, hardHigh }
}

/** Body height of an adult or a child of school age, cm. */
export const HEIGHT_LIMITS = limits(100, 140, 210, 210, 250)

/** Body mass, kg. */
export const MASS_LIMITS = limits(25, 38, 180, 180, 350)

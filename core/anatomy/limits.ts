import {
  type BoneId,
  type KnownFold,
  type KnownGirth,
  type KnownSite,
  type Sex,
  type SiteId,
  isSkinfold,
} from './ids'
import { HEIGHT_LIMITS, limits, MASS_LIMITS, type Limits } from '../units/limits'

const skinfolds: Record<KnownFold, Limits> = {
  chest: limits(2, 3, 35, 32, 70),
  midaxillary: limits(2, 3, 38, 38, 70),
  triceps: limits(2, 4, 30, 42, 70),
  biceps: limits(1.5, 2.5, 18, 28, 50),
  subscapular: limits(3, 5, 42, 45, 75),
  suprailiac: limits(2.5, 4, 45, 45, 80),
  suprailiac_sloan: limits(2.5, 4, 45, 45, 80),
  iliac_crest: limits(2.5, 4, 45, 45, 80),
  supraspinale: limits(2, 3.5, 38, 40, 75),
  abdominal: limits(3, 5, 52, 50, 85),
  thigh: limits(3, 5, 40, 55, 85),
  front_thigh: limits(3, 5, 40, 55, 85),
  medial_calf: limits(2, 3.5, 28, 38, 65),
  lower_back: limits(3, 5, 50, 50, 85),
  // Judgement, no source.
  cheek: limits(2, 4, 22, 22, 40),
  chin: limits(1.5, 2.5, 20, 20, 45),
  tenth_rib: limits(2, 3, 40, 40, 75),
  above_knee: limits(2, 3.5, 30, 38, 65),
  calf_back: limits(2, 3.5, 28, 38, 65),
  inner_forearm: limits(1.5, 2.5, 16, 22, 45),
}

function girthLimits(hardLow: number, softLow: number, softHigh: number, hardHigh: number) {
  return limits(hardLow, softLow, softHigh, softHigh, hardHigh)
}

const waist = girthLimits(45, 55, 140, 230)
const thigh = girthLimits(28, 38, 85, 120)

const girths: Record<KnownGirth, Limits> = {
  neck: girthLimits(22, 28, 50, 65),
  shoulders: girthLimits(75, 88, 145, 190),
  chest_girth: girthLimits(60, 72, 140, 190),
  bust: girthLimits(60, 74, 150, 200),
  under_bust: girthLimits(50, 62, 130, 180),
  waist,
  waist_midway: waist,
  abdomen: girthLimits(48, 60, 150, 240),
  iliac: girthLimits(50, 62, 150, 240),
  hip: girthLimits(60, 78, 145, 230),
  thigh_girth: thigh,
  mid_thigh_girth: thigh,
  calf_girth: girthLimits(20, 28, 52, 75),
  upper_arm_relaxed: girthLimits(14, 20, 48, 75),
  upper_arm_flexed: girthLimits(15, 21, 52, 78),
  forearm: girthLimits(14, 19, 37, 50),
  wrist: girthLimits(10, 13, 22, 28),
  head: girthLimits(40, 50, 63, 70),
  ankle: girthLimits(14, 18, 30, 45),
}

/** Breadths and lengths of bones, cm. Judgement about children to the tallest adults; no source. */
const bones: Record<BoneId, Limits> = {
  biacromial: girthLimits(20, 30, 46, 55),
  biiliocristal: girthLimits(15, 22, 36, 48),
  chest_breadth: girthLimits(15, 21, 36, 48),
  chest_depth: girthLimits(9, 13, 26, 40),
  humerus: girthLimits(3.5, 5, 8.5, 11),
  wrist_breadth: girthLimits(3, 4, 7, 9),
  femur: girthLimits(5, 7.5, 12, 15),
  ankle_breadth: girthLimits(4, 5.5, 9, 11),
  sitting_height: girthLimits(45, 70, 108, 120),
  arm_span: girthLimits(80, 140, 220, 260),
  upper_arm_length: girthLimits(15, 25, 42, 50),
  forearm_length: girthLimits(12, 19, 33, 40),
  hand_length: girthLimits(9, 15, 24, 30),
  hip_point_height: girthLimits(45, 75, 120, 140),
  trochanter_height: girthLimits(40, 70, 115, 135),
  thigh_length: girthLimits(20, 32, 58, 70),
  knee_height: girthLimits(22, 36, 62, 75),
  tibia_length: girthLimits(18, 28, 50, 62),
  foot_length: girthLimits(12, 20, 33, 40),
}

/** A site of a coach's own may lie anywhere: as wide as any fold or girth. Judgement, no source. */
const OWN_FOLD = limits(1.5, 2.5, 52, 55, 85)
const OWN_GIRTH = girthLimits(10, 13, 150, 240)

type Measurement = SiteId | 'height' | 'mass'

const all: Record<KnownSite | 'height' | 'mass', Limits> = {
  ...skinfolds,
  ...girths,
  ...bones,
  height: HEIGHT_LIMITS,
  mass: MASS_LIMITS,
}

/** What a site is read in. */
export const unitOfSite = (site: SiteId) => (isSkinfold(site) ? 'mm' : 'cm')

/** Widest opening (mm) that a skinfold caliper reads; no fold can be larger. Common practice, no source. */
export const WIDEST_CALIPER_MM = 100

/** The plausibility limits of a fold (mm), girth, breadth or length (cm), `height` (cm) or `mass` (kg). */
export function limitsOf(id: Measurement): Limits {
  const known: Partial<Record<Measurement, Limits>> = all
  return known[id] ?? (isSkinfold(id) ? OWN_FOLD : OWN_GIRTH)
}

/** What is usual of a measurement in one sex, in its unit. */
export function softLimitsOf(id: Measurement, sex: Sex): { softLow: number; softHigh: number } {
  const { softLow, softHighMale, softHighFemale } = limitsOf(id)
  return { softLow, softHigh: sex === 'male' ? softHighMale : softHighFemale }
}

/**
 * Where a value stands among the limits of its measurement.
 *
 * @param value mm, cm or kg as the measurement has it
 */
export function plausibility(
  id: Measurement,
  value: number,
  sex: Sex,
): 'impossible' | 'unusual' | 'usual' {
  const { hardLow, hardHigh } = limitsOf(id)
  if (!(value >= hardLow && value <= hardHigh)) return 'impossible'
  const { softLow, softHigh } = softLimitsOf(id, sex)
  return value < softLow || value > softHigh ? 'unusual' : 'usual'
}

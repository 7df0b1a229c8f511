import type { Sex } from '../anatomy/ids'
import { correctedGirth } from '../composition/indices'
import { needed, type Measures } from './measures'
import { PHANTOM_HEIGHT_CM } from './phantom'

/*
 * Masses of the body's parts by proportion to the phantom. Nothing makes them add up to what the scale says: how near
 * their sum comes is the check of the measuring. Coefficients from memory (grade B).
 */

/** Masses, kg, with their sum beside the scale's. */
export interface Fractions<P extends string> {
  parts: Record<P, number>
  /** kg. */
  sum: number
  /** Sum less body mass, kg, and as a share of body mass. */
  off: number
  offPercent: number
}

function added<P extends string>(parts: Record<P, number>, massKg: number): Fractions<P> {
  const sum = Object.values<number>(parts).reduce((total, part) => total + part, 0)
  return { parts, sum, off: sum - massKg, offPercent: (100 * (sum - massKg)) / massKg }
}

/** A value of the phantom. */
interface Of {
  mean: number
  sd: number
}
const of = (mean: number, sd: number): Of => ({ mean, sd })

/** A mass of somebody whose measures are so far from the phantom's. @param scale phantom's height over their own */
const massOf = (z: number, { mean, sd }: Of, scale: number) => (z * sd + mean) / scale ** 3

const SIX_FOLDS = [
  ...(['triceps', 'subscapular', 'supraspinale', 'abdominal'] as const),
  ...(['front_thigh', 'medial_calf'] as const),
]

export const FOUR_PARTS = ['fat', 'muscle', 'bone', 'rest'] as const
export type FourPart = (typeof FOUR_PARTS)[number]
export const FOUR_WAY_MEASURES = [
  ...(['height', 'mass', ...SIX_FOLDS, 'upper_arm_relaxed', 'forearm', 'wrist'] as const),
  ...(['chest_girth', 'thigh_girth', 'calf_girth', 'ankle', 'humerus', 'femur'] as const),
  ...(['biacromial', 'biiliocristal', 'chest_breadth', 'chest_depth'] as const),
]

/**
 * Fat, muscle, bone and the rest. Drinkwater DT, Ross WD. In: Kinanthropometry II, University Park Press, 1980:178-189.
 *
 * @throws InputError naming the first measure that is missing or impossible
 */
export function fourWayMasses(measures: Measures): Fractions<FourPart> {
  const m = needed(measures, FOUR_WAY_MEASURES)
  const scale = PHANTOM_HEIGHT_CM / m.height
  const z = (value: number, { mean, sd }: Of) => (value * scale - mean) / sd
  const mean = (scores: number[]) => scores.reduce((total, one) => total + one, 0) / scores.length
  const fat = mean([
    ...[z(m.triceps, of(15.4, 4.47)), z(m.subscapular, of(17.2, 5.07))],
    ...[z(m.supraspinale, of(15.4, 4.47)), z(m.abdominal, of(25.4, 7.78))],
    ...[z(m.front_thigh, of(27, 8.33)), z(m.medial_calf, of(16, 4.67))],
  ])
  const bone = mean([
    ...[z(m.humerus, of(6.48, 0.35)), z(m.femur, of(9.52, 0.48))],
    ...[z(m.wrist, of(16.35, 0.72)), z(m.ankle, of(21.71, 1.33))],
  ])
  const muscle = mean([
    z(correctedGirth(m.upper_arm_relaxed, m.triceps), of(22.05, 1.91)),
    z(m.forearm, of(25.13, 1.41)),
    z(correctedGirth(m.chest_girth, m.subscapular), of(82.46, 4.86)),
    z(correctedGirth(m.thigh_girth, m.front_thigh), of(47.34, 3.59)),
    z(correctedGirth(m.calf_girth, m.medial_calf), of(30.22, 1.97)),
  ])
  const rest = mean([
    ...[z(m.biacromial, of(38.04, 1.92)), z(m.biiliocristal, of(28.84, 1.75))],
    ...[z(m.chest_breadth, of(27.92, 1.74)), z(m.chest_depth, of(17.5, 1.38))],
  ])
  return added(
    {
      fat: massOf(fat, of(12.13, 3.25), scale),
      muscle: massOf(muscle, of(25.55, 2.99), scale),
      bone: massOf(bone, of(10.49, 1.57), scale),
      rest: massOf(rest, of(16.41, 1.9), scale),
    },
    m.mass,
  )
}

export const FIVE_PARTS = ['skin', 'adipose', 'muscle', 'bone', 'rest'] as const
export type FivePart = (typeof FIVE_PARTS)[number]
export const FIVE_WAY_MEASURES = [
  ...(['height', 'mass', 'sitting_height', ...SIX_FOLDS, 'head'] as const),
  ...(['upper_arm_relaxed', 'forearm', 'chest_girth', 'waist', 'thigh_girth'] as const),
  ...(['calf_girth', 'biacromial', 'biiliocristal', 'chest_breadth'] as const),
  ...(['chest_depth', 'humerus', 'femur'] as const),
]

/** Constant of the surface of the skin, and its thickness in mm. */
const SKIN: Record<Sex, { surface: number; thickness: number }> = {
  male: { surface: 68.308, thickness: 2.07 },
  female: { surface: 73.074, thickness: 1.96 },
}
/** g/cm³. */
const SKIN_DENSITY = 1.05
/** Sitting height of the phantom, cm: what lies in the trunk grows with it. */
const PHANTOM_SITTING = 89.92

/**
 * Skin, adipose tissue, muscle, bone and the rest. Kerr DA. Thesis, Simon Fraser University, 1988. Its sums of folds,
 * girths and breadths are the phantom's own values added up.
 *
 * @throws InputError naming the first measure that is missing or impossible
 */
export function fiveWayMasses(measures: Measures, sex: Sex): Fractions<FivePart> {
  const m = needed(measures, FIVE_WAY_MEASURES)
  const scale = PHANTOM_HEIGHT_CM / m.height
  const z = (value: number, { mean, sd }: Of, by = scale) => (value * by - mean) / sd
  const folds = SIX_FOLDS.reduce((total, fold) => total + m[fold], 0)
  const muscles =
    correctedGirth(m.upper_arm_relaxed, m.triceps) +
    m.forearm +
    correctedGirth(m.chest_girth, m.subscapular) +
    correctedGirth(m.thigh_girth, m.front_thigh) +
    correctedGirth(m.calf_girth, m.medial_calf)
  const bones = m.biacromial + m.biiliocristal + 2 * m.humerus + 2 * m.femur
  const trunk = m.chest_depth + m.chest_breadth + correctedGirth(m.waist, m.abdominal)
  const sitting = PHANTOM_SITTING / m.sitting_height
  const { surface, thickness } = SKIN[sex]
  // cm², as the form with mass in kg and height in cm gives it.
  const area = surface * m.mass ** 0.425 * m.height ** 0.725
  return added(
    {
      // cm² x mm / 10 is cm³; g/cm³ makes grams of it.
      skin: ((area * thickness) / 10) * (SKIN_DENSITY / 1000),
      adipose: massOf(z(folds, of(116.41, 34.79)), of(25.6, 5.85), scale),
      muscle: massOf(z(muscles, of(207.21, 13.74)), of(24.5, 5.4), scale),
      bone:
        massOf(z(bones, of(98.88, 5.33)), of(6.7, 1.34), scale) +
        // A head does not grow with the height.
        z(m.head, of(56, 1.44), 1) * 0.18 +
        1.2,
      rest: massOf(z(trunk, of(109.35, 7.08), sitting), of(6.1, 1.24), sitting),
    },
    m.mass,
  )
}

export const MATIEGKA_PARTS = ['skinFat', 'muscle', 'bone', 'rest'] as const
export type MatiegkaPart = (typeof MATIEGKA_PARTS)[number]
const MATIEGKA_FOLDS = [
  ...(['biceps', 'inner_forearm', 'front_thigh', 'medial_calf'] as const),
  ...(['tenth_rib', 'abdominal'] as const),
]
export const MATIEGKA_MEASURES = [
  ...(['height', 'mass', ...MATIEGKA_FOLDS, 'upper_arm_flexed', 'forearm'] as const),
  ...(['mid_thigh_girth', 'calf_girth'] as const),
  ...(['humerus', 'wrist_breadth', 'femur', 'ankle_breadth'] as const),
]

/**
 * Skin with the fat under it, muscle, bone and the rest. Matiegka J. Am J Phys Anthropol 1921;4:223-230. Which six folds
 * it takes and over which girth each lies is from memory.
 *
 * @throws InputError naming the first measure that is missing or impossible
 */
export function matiegkaMasses(measures: Measures): Fractions<MatiegkaPart> {
  const m = needed(measures, MATIEGKA_MEASURES)
  const breadth = (m.humerus + m.wrist_breadth + m.femur + m.ankle_breadth) / 4
  const limbs =
    correctedGirth(m.upper_arm_flexed, m.biceps) +
    correctedGirth(m.forearm, m.inner_forearm) +
    correctedGirth(m.mid_thigh_girth, m.front_thigh) +
    correctedGirth(m.calf_girth, m.medial_calf)
  const radius = limbs / 4 / (2 * Math.PI)
  // A fold is skin and fat twice over.
  const layer = MATIEGKA_FOLDS.reduce((total, fold) => total + m[fold], 0) / 6 / 2
  // DuBois's surface, cm².
  const area = 71.84 * m.mass ** 0.425 * m.height ** 0.725
  return added(
    {
      skinFat: (0.13 * layer * area) / 1000,
      muscle: (6.5 * radius ** 2 * m.height) / 1000,
      bone: (1.2 * breadth ** 2 * m.height) / 1000,
      rest: 0.206 * m.mass,
    },
    m.mass,
  )
}

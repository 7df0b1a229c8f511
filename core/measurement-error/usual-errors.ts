import {
  type BoneId,
  type KnownFold,
  type KnownGirth,
  type KnownSite,
  type SiteId,
  isSkinfold,
} from '../anatomy/ids'

/** How practised the hand is. */
export type Skill = 'trained' | 'novice'

type BySkill = Record<Skill, number>

const tem = (trained: number, novice: number): BySkill => ({ trained, novice })

const SKINFOLDS: Record<KnownFold, BySkill> = {
  chest: tem(0.7, 2),
  midaxillary: tem(0.7, 2),
  triceps: tem(0.6, 1.5),
  biceps: tem(0.35, 0.9),
  subscapular: tem(0.8, 1.8),
  suprailiac: tem(1, 2.5),
  suprailiac_sloan: tem(1, 2.5),
  iliac_crest: tem(1, 2.5),
  supraspinale: tem(0.8, 2),
  abdominal: tem(1.1, 2.5),
  thigh: tem(1.1, 2.5),
  front_thigh: tem(1.1, 2.5),
  medial_calf: tem(0.6, 1.5),
  lower_back: tem(1.1, 2.5),
  cheek: tem(0.7, 1.8),
  chin: tem(0.7, 1.8),
  tenth_rib: tem(0.8, 2),
  above_knee: tem(0.9, 2),
  calf_back: tem(0.7, 1.8),
  inner_forearm: tem(0.4, 1),
}

const waist = tem(0.8, 1.8)
const thigh = tem(0.45, 1)

const GIRTHS: Record<KnownGirth, BySkill> = {
  neck: tem(0.3, 0.6),
  shoulders: tem(0.9, 2),
  chest_girth: tem(0.9, 1.8),
  bust: tem(0.9, 1.8),
  under_bust: tem(0.9, 1.8),
  waist,
  waist_midway: waist,
  abdomen: tem(0.9, 2),
  iliac: tem(0.9, 2),
  hip: tem(0.8, 1.5),
  thigh_girth: thigh,
  mid_thigh_girth: thigh,
  calf_girth: tem(0.2, 0.5),
  upper_arm_relaxed: tem(0.2, 0.6),
  upper_arm_flexed: tem(0.3, 0.7),
  forearm: tem(0.2, 0.5),
  wrist: tem(0.15, 0.3),
  head: tem(0.2, 0.5),
  ankle: tem(0.2, 0.5),
}

/** In cm, as of bones with little on them; where both ends have to be found, more. */
const BONES: Record<BoneId, BySkill> = {
  biacromial: tem(0.3, 0.7),
  biiliocristal: tem(0.3, 0.7),
  chest_breadth: tem(0.4, 0.8),
  chest_depth: tem(0.4, 0.8),
  humerus: tem(0.06, 0.15),
  wrist_breadth: tem(0.06, 0.15),
  femur: tem(0.07, 0.2),
  ankle_breadth: tem(0.08, 0.2),
  sitting_height: tem(0.4, 0.9),
  arm_span: tem(0.7, 1.5),
  upper_arm_length: tem(0.25, 0.6),
  forearm_length: tem(0.25, 0.6),
  hand_length: tem(0.2, 0.5),
  hip_point_height: tem(0.4, 0.9),
  trochanter_height: tem(0.5, 1.2),
  thigh_length: tem(0.4, 1),
  knee_height: tem(0.3, 0.7),
  tibia_length: tem(0.3, 0.7),
  foot_length: tem(0.15, 0.3),
}

/** A site of a coach's own is taken to be as hard as the hardest ones. */
const OWN_FOLD = tem(1.1, 2.5)
const OWN_GIRTH = tem(0.9, 2)

type Measurement = SiteId | 'height' | 'mass'

const ALL: Record<KnownSite | 'height' | 'mass', BySkill> = {
  ...SKINFOLDS,
  ...GIRTHS,
  ...BONES,
  height: tem(0.3, 0.7),
  mass: tem(0.1, 0.2),
}

/** Landing the mark again on another day adds this share of the repeat error. Judgement, no source. */
export const RELOCATION_SHARE = 0.75

/**
 * The usual repeat error of one trial at one mark (technical error of measurement). Judgement, no source; replaced by
 * the tester's own once known.
 *
 * @returns mm for folds, cm for girths, bones and height, kg for mass
 */
export function usualRepeatError(id: Measurement, skill: Skill = 'trained'): number {
  const known: Partial<Record<Measurement, BySkill>> = ALL
  return (known[id] ?? (isSkinfold(id) ? OWN_FOLD : OWN_GIRTH))[skill]
}

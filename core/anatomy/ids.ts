/** Ids of skinfold sites and girths: one spelling in the core, the API, the database and in files. */

export type Sex = 'male' | 'female'

export const SKINFOLD_IDS = [
  'chest',
  'midaxillary',
  'triceps',
  'subscapular',
  'abdominal',
  'suprailiac',
  'thigh',
  'biceps',
  'iliac_crest',
  'supraspinale',
  'front_thigh',
  'medial_calf',
  'lower_back',
  'suprailiac_sloan',
] as const

export type SkinfoldId = (typeof SKINFOLD_IDS)[number]

export const GIRTH_IDS = [
  'neck',
  'shoulders',
  'chest_girth',
  'bust',
  'under_bust',
  'waist',
  'waist_midway',
  'abdomen',
  'iliac',
  'hip',
  'thigh_girth',
  'mid_thigh_girth',
  'calf_girth',
  'upper_arm_relaxed',
  'upper_arm_flexed',
  'forearm',
  'wrist',
] as const

export type GirthId = (typeof GIRTH_IDS)[number]

/** The girths that are a waist: narrowest, midway, at the navel and at the top of the hip crests. */
export const WAISTS = ['waist', 'waist_midway', 'abdomen', 'iliac'] as const satisfies GirthId[]
export type Waist = (typeof WAISTS)[number]

export type SiteId = SkinfoldId | GirthId

/**
 * The standards that land a site: American sports-medicine textbooks (us), international anthropometry (int),
 * Durnin and Womersley's own mix (dw), common practice among trainers (gym).
 */
export const LANDMARK_STANDARDS = ['us', 'int', 'dw', 'gym'] as const

export type LandmarkStandard = (typeof LANDMARK_STANDARDS)[number]

const skinfolds: ReadonlySet<string> = new Set(SKINFOLD_IDS)
const girths: ReadonlySet<string> = new Set(GIRTH_IDS)

/** True for the id of a skinfold. */
export function isSkinfold(id: string): id is SkinfoldId {
  return skinfolds.has(id)
}

/** True for the id of a girth. */
export function isGirth(id: string): id is GirthId {
  return girths.has(id)
}

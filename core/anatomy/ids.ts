/** Ids of skinfold sites, girths, breadths and lengths: one spelling in the core, the API, the database and in files. */

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
  'cheek',
  'chin',
  'tenth_rib',
  'above_knee',
  'calf_back',
  'inner_forearm',
] as const

export type KnownFold = (typeof SKINFOLD_IDS)[number]

/**
 * A site of a coach's own says its name itself: `own_fold_high_calf`. So it is named alike in every place, and another
 * name is another site, which is never compared with the first.
 */
export type OwnFold = `own_fold_${string}`
export type OwnGirth = `own_girth_${string}`

export type SkinfoldId = KnownFold | OwnFold

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
  'head',
  'ankle',
] as const

export type KnownGirth = (typeof GIRTH_IDS)[number]
export type GirthId = KnownGirth | OwnGirth

/** The girths that are a waist: narrowest, midway, at the navel and at the top of the hip crests. */
export const WAISTS = ['waist', 'waist_midway', 'abdomen', 'iliac'] as const satisfies KnownGirth[]
export type Waist = (typeof WAISTS)[number]

/** Across bones, by the jaws of a bone caliper; the depth of the chest from front to back. */
export const BREADTH_IDS = [
  'biacromial',
  'biiliocristal',
  'chest_breadth',
  'chest_depth',
  'humerus',
  'wrist_breadth',
  'femur',
  'ankle_breadth',
] as const
export type BreadthId = (typeof BREADTH_IDS)[number]

/** Along bones, by an anthropometer or a segmometer; of a foot, and from finger to finger. */
export const LENGTH_IDS = [
  'sitting_height',
  'arm_span',
  'upper_arm_length',
  'forearm_length',
  'hand_length',
  'hip_point_height',
  'trochanter_height',
  'thigh_length',
  'knee_height',
  'tibia_length',
  'foot_length',
] as const
export type LengthId = (typeof LENGTH_IDS)[number]

/** A breadth or a length: between points of bone, where neither fat nor muscle is in the way. */
export type BoneId = BreadthId | LengthId
export const BONE_IDS = [...LENGTH_IDS, ...BREADTH_IDS] as const satisfies BoneId[]

export type KnownSite = KnownFold | KnownGirth | BoneId
export type OwnSite = OwnFold | OwnGirth
export type SiteId = SkinfoldId | GirthId | BoneId

/** What a site's reading is a reading of. */
export const SITE_KINDS = ['skinfold', 'girth', 'breadth', 'length'] as const
export type SiteKind = (typeof SITE_KINDS)[number]

/**
 * The standards that land a site: American sports-medicine textbooks (us), international anthropometry (int),
 * Durnin and Womersley's own mix (dw), the ten folds of the Czech school (czech), common practice among trainers (gym).
 */
export const LANDMARK_STANDARDS = ['us', 'int', 'dw', 'czech', 'gym'] as const

export type LandmarkStandard = (typeof LANDMARK_STANDARDS)[number]

const skinfolds: ReadonlySet<string> = new Set(SKINFOLD_IDS)
const girths: ReadonlySet<string> = new Set(GIRTH_IDS)

/** Letters, figures and dashes of any script, a line for each space; 40 characters at most. */
const OWN_SITE = /^own_(fold|girth)_[\p{L}\p{N}][\p{L}\p{M}\p{N}_-]{0,39}$/u

/** True for the id of a site of a coach's own. */
export function isOwnSite(id: string): id is OwnSite {
  return OWN_SITE.test(id)
}

/** True for the id of a skinfold. */
export function isSkinfold(id: string): id is SkinfoldId {
  return skinfolds.has(id) || (id.startsWith('own_fold_') && isOwnSite(id))
}

/** True for the id of a girth. */
export function isGirth(id: string): id is GirthId {
  return girths.has(id) || (id.startsWith('own_girth_') && isOwnSite(id))
}

const breadths: ReadonlySet<string> = new Set(BREADTH_IDS)
const lengths: ReadonlySet<string> = new Set(LENGTH_IDS)

/** True for the id of a breadth. */
export const isBreadth = (id: string): id is BreadthId => breadths.has(id)

/** True for the id of a length. */
export const isLength = (id: string): id is LengthId => lengths.has(id)

/** True for the id of a breadth or a length. */
export const isBone = (id: string): id is BoneId => isBreadth(id) || isLength(id)

/** True for the id of anything that is measured at a place of the body. */
export const isSite = (id: string): id is SiteId => isSkinfold(id) || isGirth(id) || isBone(id)

/** What a site's reading is a reading of. */
export const kindOfSite = (site: SiteId): SiteKind =>
  isSkinfold(site) ? 'skinfold' : isBreadth(site) ? 'breadth' : isLength(site) ? 'length' : 'girth'

/**
 * The id of a site of a coach's own.
 *
 * @param name as the coach writes it
 * @returns undefined where nothing of it can be a name
 */
export function ownSiteId(kind: 'fold' | 'girth', name: string): OwnSite | undefined {
  const words = name
    .normalize('NFC')
    .toLowerCase()
    .replace(/[^\p{L}\p{M}\p{N}-]+/gu, '_')
    .replace(/^[_-]+|[_-]+$/g, '')
  const id = `own_${kind}_${words}`
  return isOwnSite(id) ? id : undefined
}

import { type Message, say, type Words, type Listed, listed, lower } from '../say'
import { capital } from '../units/format'
import type { KnownSite, SiteId } from './ids'

const NAMES: Record<KnownSite, Message> = {
  chest: say('anatomy.chest'),
  midaxillary: say('anatomy.midaxillary'),
  triceps: say('anatomy.triceps'),
  subscapular: say('anatomy.subscapular'),
  abdominal: say('anatomy.abdominal'),
  suprailiac: say('anatomy.suprailiac'),
  thigh: say('anatomy.thigh'),
  biceps: say('anatomy.biceps'),
  iliac_crest: say('anatomy.iliacCrest'),
  supraspinale: say('anatomy.supraspinale'),
  front_thigh: say('anatomy.frontThigh'),
  medial_calf: say('anatomy.medialCalf'),
  lower_back: say('anatomy.lowerBack'),
  suprailiac_sloan: say('anatomy.suprailiacCrest'),
  cheek: say('anatomy.cheek'),
  chin: say('anatomy.chin'),
  tenth_rib: say('anatomy.tenthRib'),
  above_knee: say('anatomy.aboveKnee'),
  calf_back: say('anatomy.calfBack'),
  inner_forearm: say('anatomy.innerForearm'),
  neck: say('anatomy.neck'),
  shoulders: say('anatomy.shoulders'),
  chest_girth: say('anatomy.chestGirth'),
  bust: say('anatomy.breastLine'),
  under_bust: say('anatomy.underBust'),
  waist: say('anatomy.waistNarrowest'),
  waist_midway: say('anatomy.waistMidway'),
  abdomen: say('anatomy.abdomenNavel'),
  iliac: say('anatomy.hipCrests'),
  hip: say('anatomy.hip'),
  thigh_girth: say('anatomy.thighGirth'),
  mid_thigh_girth: say('anatomy.midThighGirth'),
  calf_girth: say('anatomy.calfGirth'),
  upper_arm_relaxed: say('anatomy.upperArmRelaxed'),
  upper_arm_flexed: say('anatomy.upperArmFlexed'),
  forearm: say('anatomy.forearm'),
  wrist: say('anatomy.wrist'),
  head: say('anatomy.headGirth'),
  ankle: say('anatomy.ankleGirth'),
  biacromial: say('anatomy.biacromial'),
  biiliocristal: say('anatomy.biiliocristal'),
  chest_breadth: say('anatomy.chestBreadth'),
  chest_depth: say('anatomy.chestDepth'),
  humerus: say('anatomy.humerus'),
  wrist_breadth: say('anatomy.wristBreadth'),
  femur: say('anatomy.femur'),
  ankle_breadth: say('anatomy.ankleBreadth'),
  sitting_height: say('anatomy.sittingHeight'),
  arm_span: say('anatomy.armSpan'),
  upper_arm_length: say('anatomy.upperArmLength'),
  forearm_length: say('anatomy.forearmLength'),
  hand_length: say('anatomy.handLength'),
  hip_point_height: say('anatomy.hipPointHeight'),
  trochanter_height: say('anatomy.trochanterHeight'),
  thigh_length: say('anatomy.thighLength'),
  knee_height: say('anatomy.kneeHeight'),
  tibia_length: say('anatomy.tibiaLength'),
  foot_length: say('anatomy.footLength'),
}

/** What a person calls a fold or girth. */
export function nameOf(site: SiteId): Words {
  const known: Partial<Record<SiteId, Message>> = NAMES
  return known[site] ?? ownName(site)
}

/** The name that a site of a coach's own carries in its id: `own_girth_high_calf` is High calf. */
function ownName(site: SiteId): string {
  return capital(site.replace(/^own_(fold|girth)_/, '').replaceAll('_', ' '))
}

/** Sites in a row as they stand in a sentence. */
export const namesOf = (sites: readonly SiteId[], by: Listed['by'] = 'comma'): Listed =>
  listed(
    sites.map((site) => lower(nameOf(site))),
    by,
  )

/** Girths whose name says how they are found. */
const SHORT_NAMES: Partial<Record<SiteId, Message>> = {
  waist: say('anatomy.waist'),
  waist_midway: say('anatomy.waist'),
  upper_arm_relaxed: say('anatomy.upperArm'),
  upper_arm_flexed: say('anatomy.upperArm'),
}

/** What a person calls a fold or girth, without how it is found. */
export const shortNameOf = (site: SiteId): Words => SHORT_NAMES[site] ?? nameOf(site)

import type { KnownFold, SkinfoldId } from './ids'

export type Region = 'trunk' | 'arms' | 'legs'

/** A face is none of them. */
const REGIONS: Record<Exclude<KnownFold, 'cheek' | 'chin'>, Region> = {
  chest: 'trunk',
  midaxillary: 'trunk',
  subscapular: 'trunk',
  abdominal: 'trunk',
  suprailiac: 'trunk',
  suprailiac_sloan: 'trunk',
  iliac_crest: 'trunk',
  supraspinale: 'trunk',
  lower_back: 'trunk',
  tenth_rib: 'trunk',
  triceps: 'arms',
  biceps: 'arms',
  inner_forearm: 'arms',
  thigh: 'legs',
  front_thigh: 'legs',
  medial_calf: 'legs',
  above_knee: 'legs',
  calf_back: 'legs',
}

/** The region of the body that a fold lies in; undefined for the face, and for one of a coach's own, which may lie anywhere. */
export function regionOf(fold: SkinfoldId): Region | undefined {
  const known: Partial<Record<SkinfoldId, Region>> = REGIONS
  return known[fold]
}

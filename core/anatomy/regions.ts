import type { SkinfoldId } from './ids'

export type Region = 'trunk' | 'arms' | 'legs'

const REGIONS: Record<SkinfoldId, Region> = {
  chest: 'trunk',
  midaxillary: 'trunk',
  subscapular: 'trunk',
  abdominal: 'trunk',
  suprailiac: 'trunk',
  suprailiac_sloan: 'trunk',
  iliac_crest: 'trunk',
  supraspinale: 'trunk',
  lower_back: 'trunk',
  triceps: 'arms',
  biceps: 'arms',
  thigh: 'legs',
  front_thigh: 'legs',
  medial_calf: 'legs',
}

/** The region of the body that a fold lies in. */
export function regionOf(fold: SkinfoldId): Region {
  return REGIONS[fold]
}

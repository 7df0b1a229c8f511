import type { KnownFold, SkinfoldId } from './ids'

export type Region = 'trunk' | 'arms' | 'legs'

const REGIONS: Record<KnownFold, Region> = {
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

/** The region of the body that a fold lies in; undefined for one of a coach's own, which may lie anywhere. */
export function regionOf(fold: SkinfoldId): Region | undefined {
  const known: Partial<Record<SkinfoldId, Region>> = REGIONS
  return known[fold]
}

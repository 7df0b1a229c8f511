import { capital } from '../units/format'
import type { KnownSite, SiteId } from './ids'

const NAMES: Record<KnownSite, string> = {
  chest: 'Chest',
  midaxillary: 'Midaxillary',
  triceps: 'Triceps',
  subscapular: 'Subscapular',
  abdominal: 'Abdominal',
  suprailiac: 'Suprailiac',
  thigh: 'Thigh',
  biceps: 'Biceps',
  iliac_crest: 'Iliac crest',
  supraspinale: 'Supraspinale',
  front_thigh: 'Front thigh',
  medial_calf: 'Medial calf',
  lower_back: 'Lower back',
  suprailiac_sloan: 'Suprailiac (on the crest)',
  neck: 'Neck',
  shoulders: 'Shoulders',
  chest_girth: 'Chest girth',
  bust: 'Breast line',
  under_bust: 'Under the bust',
  waist: 'Waist, narrowest',
  waist_midway: 'Waist, midway',
  abdomen: 'Abdomen at the navel',
  iliac: 'Hip crests',
  hip: 'Hip',
  thigh_girth: 'Thigh girth',
  mid_thigh_girth: 'Mid-thigh girth',
  calf_girth: 'Calf girth',
  upper_arm_relaxed: 'Upper arm, relaxed',
  upper_arm_flexed: 'Upper arm, flexed',
  forearm: 'Forearm',
  wrist: 'Wrist',
}

/** What a person calls a fold or girth. */
export function nameOf(site: SiteId): string {
  const known: Partial<Record<SiteId, string>> = NAMES
  return known[site] ?? ownName(site)
}

/** The name that a site of a coach's own carries in its id: `own_girth_high_calf` is High calf. */
function ownName(site: SiteId): string {
  return capital(site.replace(/^own_(fold|girth)_/, '').replaceAll('_', ' '))
}

/** Sites in a row as they stand in a sentence. */
export const namesOf = (sites: readonly SiteId[], between = ', ') =>
  sites.map((site) => nameOf(site).toLowerCase()).join(between)

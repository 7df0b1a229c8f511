import type { KnownFold, KnownGirth, KnownSite, SiteId } from '#core'

/** Where a site is drawn, on the client's right side: in front that is the viewer's left, behind the viewer's right. */
export interface FigureSpot {
  view: 'front' | 'back'
  x: number
  y: number
  /** Direction of the fold in degrees from vertical, clockwise on the picture. */
  tilt: number
  /** Half the width of a girth's line; absent for folds. */
  span?: number
}

const fold = (view: 'front' | 'back', x: number, y: number, tilt = 0): FigureSpot => ({
  view,
  x,
  y,
  tilt,
})
const girth = (x: number, y: number, span: number): FigureSpot => ({
  view: 'front',
  x,
  y,
  tilt: 0,
  span,
})

const SKINFOLDS: Record<KnownFold, FigureSpot> = {
  chest: fold('front', 72, 108, -50),
  midaxillary: fold('front', 65.5, 136),
  triceps: fold('back', 150.5, 132, -8),
  biceps: fold('front', 49, 128, 8),
  subscapular: fold('back', 121, 139, -45),
  abdominal: fold('front', 92, 185),
  suprailiac: fold('front', 71, 186, -45),
  suprailiac_sloan: fold('front', 66, 186),
  iliac_crest: fold('front', 66, 183, -78),
  supraspinale: fold('front', 76, 195, -45),
  thigh: fold('front', 77, 262, 3),
  front_thigh: fold('front', 77, 262, 3),
  medial_calf: fold('front', 90, 345),
  lower_back: fold('back', 112, 186, -30),
}

const GIRTHS: Record<KnownGirth, FigureSpot> = {
  neck: girth(100, 64, 13),
  shoulders: girth(100, 93, 54),
  chest_girth: girth(100, 113, 41),
  bust: girth(100, 119, 41),
  under_bust: girth(100, 130, 38),
  waist: girth(100, 165, 34),
  waist_midway: girth(100, 173, 34),
  abdomen: girth(100, 185, 36),
  iliac: girth(100, 191, 38),
  hip: girth(100, 214, 43),
  thigh_girth: girth(78, 238, 21),
  mid_thigh_girth: girth(79, 266, 19),
  calf_girth: girth(81, 346, 14),
  upper_arm_relaxed: girth(50, 128, 10),
  upper_arm_flexed: girth(50, 128, 10),
  forearm: girth(39, 180, 10),
  wrist: girth(33, 204, 8),
}

const SPOTS: Record<KnownSite, FigureSpot> = { ...SKINFOLDS, ...GIRTHS }

/** Where a fold or girth is on the drawn figure; undefined for one of a coach's own, which has its place in words. */
export function spotOf(site: SiteId): FigureSpot | undefined {
  const known: Partial<Record<SiteId, FigureSpot>> = SPOTS
  return known[site]
}

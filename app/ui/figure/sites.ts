import type { KnownFold, KnownGirth, SiteId } from '#core'
import type { Build, FigureView } from './outline'

/** Where a site is drawn, on the client's right side: in front that is the viewer's left, behind the viewer's right. */
export interface FigureSpot {
  view: FigureView
  x: number
  y: number
  /** Direction of the fold in degrees from vertical, clockwise on the picture. */
  tilt: number
  /** Half the width of a girth's line; absent for folds. */
  span?: number
}

const fold = (view: FigureView, x: number, y: number, tilt = 0): FigureSpot => ({
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

const FOLDS_OF_ALL = {
  midaxillary: fold('side', 97, 138),
  subscapular: fold('back', 124, 141, -45),
  abdominal: fold('front', 93, 180.5),
  suprailiac: fold('front', 71, 181, -45),
  suprailiac_sloan: fold('side', 97, 180),
  iliac_crest: fold('side', 97, 176, -80),
  supraspinale: fold('front', 75, 191, -45),
  thigh: fold('front', 78, 259, 3),
  front_thigh: fold('front', 78, 259, 3),
  medial_calf: fold('front', 90.5, 343),
  lower_back: fold('back', 113, 187, -30),
  cheek: fold('front', 93, 44, 90),
  chin: fold('front', 100, 57),
  tenth_rib: fold('front', 72, 152, -50),
  above_knee: fold('front', 80, 290, 2),
  calf_back: fold('back', 121, 326),
}

/** Each site by build: the same places of a body, on figures of other breadths. */
const SPOTS: Record<Build, Record<KnownFold | KnownGirth, FigureSpot>> = {
  male: {
    ...FOLDS_OF_ALL,
    chest: fold('front', 71, 116, -58),
    triceps: fold('back', 152, 124, -11),
    biceps: fold('front', 48, 128, 11),
    inner_forearm: fold('front', 36, 181, 14),
    neck: girth(100, 68, 13.6),
    shoulders: girth(100, 102, 58.6),
    chest_girth: girth(100, 119, 37.3),
    bust: girth(100, 123, 37.2),
    under_bust: girth(100, 134, 36.6),
    waist: girth(100, 163, 33.8),
    waist_midway: girth(100, 170, 34),
    abdomen: girth(100, 180.5, 35),
    iliac: girth(100, 175, 34.4),
    hip: girth(100, 215, 41.6),
    thigh_girth: girth(77.6, 240, 20.8),
    mid_thigh_girth: girth(77.4, 259, 19.4),
    calf_girth: girth(78.8, 342, 13.6),
    upper_arm_relaxed: girth(47.7, 126, 10.8),
    upper_arm_flexed: girth(47.7, 126, 10.8),
    forearm: girth(35.6, 182, 10.4),
    wrist: girth(26.6, 221, 6.8),
    head: girth(100, 34, 14),
    ankle: girth(81, 397, 8.6),
  },
  female: {
    ...FOLDS_OF_ALL,
    chest: fold('front', 69, 114, -58),
    triceps: fold('back', 149, 124, -11),
    biceps: fold('front', 51, 128, 11),
    inner_forearm: fold('front', 39, 181, 14),
    neck: girth(100, 68, 11.3),
    shoulders: girth(100, 102, 54.2),
    chest_girth: girth(100, 119, 35.4),
    bust: girth(100, 126, 35.6),
    under_bust: girth(100, 137, 34.6),
    waist: girth(100, 162, 30),
    waist_midway: girth(100, 169, 30.8),
    abdomen: girth(100, 180.5, 33.8),
    iliac: girth(100, 175, 31.8),
    hip: girth(100, 216, 45.4),
    thigh_girth: girth(76.2, 240, 22.2),
    mid_thigh_girth: girth(76.6, 259, 20),
    calf_girth: girth(79.2, 342, 13.4),
    upper_arm_relaxed: girth(51, 126, 9.6),
    upper_arm_flexed: girth(51, 126, 9.6),
    forearm: girth(38.6, 182, 9.6),
    wrist: girth(29.8, 221, 6.4),
    head: girth(100, 34, 13.6),
    ankle: girth(82, 397, 8.2),
  },
}

/** Where a fold or girth is on the drawn figure; undefined for bones and for one of a coach's own, which have their place in words. */
export function spotOf(site: SiteId, build: Build): FigureSpot | undefined {
  const known: Partial<Record<SiteId, FigureSpot>> = SPOTS[build]
  return known[site]
}

import type { SkinfoldId } from '#core'

/** Where a site is drawn, on the client's right side: in front that is the viewer's left, behind the viewer's right. */
export interface FigureSpot {
  view: 'front' | 'back'
  x: number
  y: number
  /** Direction of the fold in degrees from vertical, clockwise on the picture. */
  tilt: number
}

const spot = (view: 'front' | 'back', x: number, y: number, tilt: number): FigureSpot => ({
  view,
  x,
  y,
  tilt,
})

/** The seven sites of the American textbooks; others are added with their protocols. */
export const SKINFOLD_SPOTS: Partial<Record<SkinfoldId, FigureSpot>> = {
  chest: spot('front', 72, 108, -50),
  midaxillary: spot('front', 65.5, 136, 0),
  triceps: spot('back', 150.5, 132, -8),
  subscapular: spot('back', 121, 139, -45),
  abdominal: spot('front', 92, 185, 0),
  suprailiac: spot('front', 71, 186, -45),
  thigh: spot('front', 77, 262, 3),
}

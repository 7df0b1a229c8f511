import { DETAILS, FIGURE_HEIGHT, FIGURE_WIDTH, OUTLINE, SILHOUETTE } from '../app/ui/figure/outline'
import type { DemoPhoto } from './scenario'

/*
 * The demo shows no real body: its photos are the drawn figure of the application, wider or slimmer, nearer or farther
 * off, so that there is something to lay over one another.
 */

export const DRAWN_WIDTH = 600
export const DRAWN_HEIGHT = 900

/** Height of the crown and of the floor in the figure's own box. */
const CROWN = 8
const FLOOR = 430

/** The picture as SVG, and where crown and floor are in it. */
export function drawnPhoto({ view, wide, near }: DemoPhoto) {
  const scale = (near * DRAWN_HEIGHT) / FIGURE_HEIGHT
  // Nobody hangs a camera twice at the same place.
  const left = DRAWN_WIDTH / 2 - (FIGURE_WIDTH / 2) * scale * wide + (near - 0.9) * 220
  const top = (DRAWN_HEIGHT - FIGURE_HEIGHT * scale) / 2
  const lines = [...OUTLINE, ...DETAILS[view]].map((d) => `<path d="${d}"/>`).join('')
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${DRAWN_WIDTH}" height="${DRAWN_HEIGHT}" viewBox="0 0 ${DRAWN_WIDTH} ${DRAWN_HEIGHT}"><rect width="100%" height="100%" fill="#DACFBA"/><rect y="${top + FLOOR * scale}" width="100%" height="100%" fill="#66583F"/><g transform="translate(${left} ${top}) scale(${scale * wide} ${scale})"><path d="${SILHOUETTE}" fill="#F8F5EE"/><g fill="none" stroke="#2A2118" stroke-width="1.4">${lines}</g></g></svg>`
  const at = (y: number) => ({
    x: (left + (FIGURE_WIDTH / 2) * scale * wide) / DRAWN_WIDTH,
    y: (top + y * scale) / DRAWN_HEIGHT,
  })
  return { svg, points: { crown: at(CROWN), groundPoint: at(FLOOR) } }
}

import {
  CROWN_Y,
  drawFigure,
  FIGURE_HEIGHT,
  FIGURE_WIDTH,
  FLOOR_Y,
  type Build,
  type FigureView,
} from '../app/ui/figure/outline'
import type { DemoPhoto } from './scenario'

/*
 * The demo shows no real body: its photos are the drawn figure of the application, wider or slimmer, nearer or farther
 * off, in shorts and a top, so that there is something to lay over one another.
 */

export const DRAWN_WIDTH = 600
export const DRAWN_HEIGHT = 900

const WALL = '#E4DBC8'
const FLOOR = '#8C7A5B'
const SKIN = '#F5EBDA'
const CLOTH = '#4A5A52'
const LINE = '#2A2118'

const WAIST = 165

/** What is worn, from one height to another. */
const CLOTHES: Record<Build, [top: number, foot: number][]> = {
  male: [[183, 252]],
  female: [
    [98, 143],
    [183, 252],
  ],
}

/** The clothes cover the trunk and the thighs, and no arm: a top between the armpits, shorts over the hips. */
const ACROSS: Record<FigureView, { top: [from: number, to: number]; shorts: [number, number] }> = {
  front: { top: [65, 135], shorts: [52, 148] },
  back: { top: [65, 135], shorts: [52, 148] },
  side: { top: [60, 134], shorts: [60, 134] },
}

/** The picture as SVG, and where crown and floor are in it. */
export function drawnPhoto({ view, build, wide, near }: DemoPhoto) {
  const scale = (near * DRAWN_HEIGHT) / FIGURE_HEIGHT
  // Nobody hangs a camera twice at the same place.
  const left = DRAWN_WIDTH / 2 - (FIGURE_WIDTH / 2) * scale + (near - 0.9) * 220
  const top = (DRAWN_HEIGHT - FIGURE_HEIGHT * scale) / 2
  const { parts, details } = drawFigure(build, view, wide)
  const body = parts
    .map(({ shape, outline }, i) => {
      const cloth = CLOTHES[build].map(([y, foot]) => {
        const [from, to] = ACROSS[view][y < WAIST ? 'top' : 'shorts']
        return `<rect x="${from}" y="${y}" width="${to - from}" height="${foot - y}" fill="${CLOTH}" clip-path="url(#part${i})"/>`
      })
      const lines = outline.map((d) => `<path d="${d}"/>`).join('')
      return `<clipPath id="part${i}"><path d="${shape}"/></clipPath><path d="${shape}" fill="${SKIN}"/>${i === 0 ? cloth.join('') : ''}<g fill="none" stroke="${LINE}" stroke-width="1.3">${lines}</g>`
    })
    .join('')
  const lines = details.map((d) => `<path d="${d}"/>`).join('')
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${DRAWN_WIDTH}" height="${DRAWN_HEIGHT}" viewBox="0 0 ${DRAWN_WIDTH} ${DRAWN_HEIGHT}"><rect width="100%" height="100%" fill="${WALL}"/><rect y="${top + (FLOOR_Y - 12) * scale}" width="100%" height="100%" fill="${FLOOR}"/><ellipse cx="${left + 100 * scale}" cy="${top + FLOOR_Y * scale}" rx="${52 * scale}" ry="${6 * scale}" fill="${LINE}" opacity=".25"/><g transform="translate(${left} ${top}) scale(${scale})" stroke-linecap="round" stroke-linejoin="round">${body}<g fill="none" stroke="${LINE}" stroke-width="0.8" opacity="0.6">${lines}</g></g></svg>`
  const at = (y: number) => ({
    x: (left + (FIGURE_WIDTH / 2) * scale) / DRAWN_WIDTH,
    y: (top + y * scale) / DRAWN_HEIGHT,
  })
  return { svg, points: { crown: at(CROWN_Y), groundPoint: at(FLOOR_Y) } }
}

/*
 * The drawn figure: a plain standing body, male and female, from the front, from behind and from the client's right
 * side, made of points that a smooth line runs through. Box of 200 by 440; the crown is at 8 and the floor at 430.
 *
 * Heights of joints, and breadths where one is known, are shares of stature: Drillis R, Contini R. Body Segment
 * Parameters, New York University, 1966 (from memory); the rest is drawn by eye.
 */

type Point = readonly [x: number, y: number]
export type FigureView = 'front' | 'back' | 'side'
export type Build = 'male' | 'female'

export const FIGURE_WIDTH = 200
export const FIGURE_HEIGHT = 440
/** Height of the crown and of the floor in the figure's box. */
export const CROWN_Y = 8
export const FLOOR_Y = 430
const MIDLINE = FIGURE_WIDTH / 2

/** Points as they are written down here: x,y and the next. */
const line = (text: string): Point[] =>
  text
    .trim()
    .split(/\s+/)
    .map((pair) => pair.split(',').map(Number) as [number, number])

/** From the crown down the outside of the arm, round the hand and back up to the armpit; x from the midline. */
const HEAD_AND_ARM: Record<Build, Point[]> = {
  male: line(`
    0,8 9.3,10.6 15.2,17 18.4,25.4 18.8,33 20.6,34.5 20.4,41 18.4,45.5 16.4,53 13.6,59 13.4,66
    14.4,72.5 20,77 31,80.6 43,83.6 52.5,89 58,99 60.5,112 63,126 66,142 68.6,154 70.6,165 74,179
    76.6,194 78.6,210 80,223 83.6,232 86.6,243 87.6,254 86.6,264 83.4,272 78.4,272.5 76,262 74.6,252
    73.2,250.5 71.4,256 68.4,257 67,251 67.2,242 68,232 67,222 62.6,206 57.6,191 53.4,177 51.4,165
    48.6,152 45.4,138 41.6,126 37.4,117
  `),
  female: line(`
    0,8 9,10.6 14.8,17 17.8,25.4 18.2,33 19.6,34.5 19.4,41 17.4,45.5 14.8,53 11.4,59.4 11.2,66 12,73
    17,78 28,81.8 39.5,84.6 48.6,89.4 53.6,99 56,112 58.4,126 61.4,142 64,154 66.4,165 69.8,179
    72.4,194 74.6,210 76.4,223 79.8,232 82.6,243 83.4,254 82.6,264 79.8,272 75.4,272.5 73.2,262
    71.8,252 70.4,250.5 68.8,256 66,257 64.6,251 64.6,242 65.2,232 64,222 60,206 55.4,191 51.6,177
    49.4,165 46.6,152 43.4,138 39.6,126 35.4,117
  `),
}

/** From the armpit down the flank, round the foot and up the inside of the leg. */
const FLANK_AND_LEG: Record<Build, Point[]> = {
  male: line(`
    37.4,117 37.2,128 36,142 34.4,155 33.6,166 34.6,178 37,190 39.6,202 41.6,215 43,230 43.4,246
    41.8,264 39,281 35.8,296 33.8,308 33.4,319 34.8,331 35.2,343 33.6,358 30.6,376 27.6,394 26.4,406
    28,415 31.6,423 33,428 30,430.4 22,430.8 14.6,430 11.8,426.5 12.2,418 12.6,408 12,394 9.4,376
    7.6,358 8,342 9.6,328 10.2,317 9.8,307 8,292 5.6,272 3.4,252 1.6,238 0,231
  `),
  female: line(`
    35.4,117 35.6,128 33.8,141 31,153 30,163 31.8,175 36.6,187 41.6,200 45.2,214 46.4,229 45.8,246
    43.2,264 39.6,281 35.8,296 33.2,308 32.6,319 34,331 34.4,343 32.6,358 29.4,376 26.4,394 25.2,406
    26.6,415 30,423 31.2,428 28.4,430.4 21,430.8 14.2,430 11.6,426.5 12,418 12.4,408 11.8,394
    9.2,376 7.2,358 7.4,342 8.8,328 9.4,317 8.6,307 6.4,292 4,272 2.2,252 1,238 0,231
  `),
}

/** The side view, facing right: the front line from crown to toes, then the sole, then the back line up again. */
const PROFILE: Record<Build, Point[]> = {
  male: line(`
    98,8 107,9.6 114.6,15 117.6,24 117.4,31 118.4,35 122.2,42 119,45 119.4,49 118.6,54 118.8,60
    114.4,64 107,64.6 106.4,72 107.4,80 114,90 121.6,102 124.2,114 122.4,128 119.6,144 118.6,160
    119,176 119.8,192 119.2,208 118.4,222 121.4,240 122.4,256 120.6,276 116.6,294 114.8,306
    114.4,316 111,328 109,346 106.4,368 104,392 103.4,406 108,414 118,420 129,424.6 132,428.4
    129,430.6 112,430.8 96,430.6 88.6,429.6 87.4,423 89,412 89.4,398 85.6,380 80.4,360 80,342
    84.4,326 87.6,314 86.8,302 84,284 80.2,264 77.4,248 77,238 73,228 72.4,216 75.6,202 81,190
    84.6,178 85,166 82,150 77.4,134 74.6,118 75.4,102 80,89 86,80 88.6,71 86.6,62 81.4,54 77.6,42
    77.4,28 82.6,16 90,9.6 98,8
  `),
  female: line(`
    98,8 107,9.6 114,15 116.6,24 116.4,31 117.2,35 120.6,42 117.8,45 118.2,49 117.2,54 116.8,60
    112.4,63.6 105.4,64.4 104.4,73 105.4,82 110.4,92 117,104 124.8,117 126,125 121,133 117,142
    115.4,156 116.4,172 119,190 118.6,206 117.4,220 121,238 122.4,254 120,276 116,294 114,306
    113.4,316 110.2,328 108.2,346 105.8,368 103.6,392 103,406 107.4,414 116.6,420 126.6,424.6
    129.4,428.4 126.6,430.6 111,430.8 96,430.6 89,429.6 87.8,423 89.4,412 89.8,398 86,380 81,360
    80.8,342 85,326 87.8,314 86.4,302 82.6,284 77.4,264 74,248 73.8,238 68.4,228 67.6,215 71.6,201
    78.6,189 84,177 85.4,165 83,150 79,134 76.6,118 77.4,102 81.4,90 86.6,81 89,71 86.6,62 81.4,54
    77.6,42 77.4,28 82.6,16 90,9.6 98,8
  `),
}

/** The near arm of the side view: lifted to the front, so that the side of the body is seen. */
const SIDE_ARM = line(`
  90,95 91.6,87 99,83 110,84.4 124,88.6 138,90.6 152,91.4 166,91 179,89.6 186,88 193,88.4 195.4,91.6
  190,94 184,96.6 178,97.4 166,100.4 152,104 138,106.4 122,109 108,111.4 99,113
`)

/** Lines on both sides of the midline, from the front: collar bones, groin; chest muscles, or breasts. */
const FRONT: Record<Build, Point[][]> = {
  male: [
    line('5,85.6 16,83.6 30,84.4 42,86.6'),
    line('35.6,113 33,123 22,128 8,125.6 1.5,122'),
    line('36,184 31,196 20,212 5,227'),
  ],
  female: [
    line('4,86.6 15,84.6 27,85.4 38,87.4'),
    line('35,116 34.6,126 28,134 18,135 8.6,129.6 6,124'),
    line('38,188 32,199 20,214 5,227'),
  ],
}
/** Kneecaps and toes. */
const FRONT_OF_ALL = [
  line('12.4,305 16,301.6 24,301.4 28.6,304.6'),
  line('12.6,316 16.4,320.4 23.4,320.6 28,317'),
  line('17.4,430 17.6,425'),
  line('21,430.4 21.2,425.6'),
  line('24.4,430.4 24.6,426'),
  line('27.6,430 27.8,426.6'),
]
const NAVEL = line('0,178.5 0,182.5')
/** Shoulder blades, elbows, buttocks, hollows of the knees, heels; then the spine. */
const BACK = [
  line('10,96 11.4,112 15.4,127 21,134 27,126 30.6,112'),
  line('60,161 64,163.6 67.6,161'),
  line('1.6,231.5 10,237 22,238 34,233.6'),
  line('13,312 19,314.6 29.4,312'),
  line('15.6,412 16.4,423 17.6,429'),
  line('24.4,412 26,422 27.4,429'),
]
const SPINE = [line('0,76 0,196'), line('0,200 0,231')]
/** Ear, eye, fingers, hip crest, kneecap, ankle. */
const SIDE = [
  line('95,36 98.4,33.4 100.4,37 98.6,42.6 95.8,46 95.4,40'),
  line('111,36 114.6,35.6'),
  line('181,92.6 190,91.6'),
  line('86,183 96,179 107,184.6'),
  line('108,306 112.4,311 110.4,318'),
  line('93,413 97.6,411 100.4,414.6'),
]
const FINGERS = [line('79.6,271 80,258'), line('82.6,269 82.8,256')]
const FINGERS_IN = { male: 0, female: 3.2 }

type Place = (point: Point) => Point
const asIs: Place = (point) => point

/** A smooth path through points (Catmull-Rom as cubic Béziers). */
function smooth(points: readonly Point[], place: Place): string {
  const at = (i: number) => points[Math.min(Math.max(i, 0), points.length - 1)]!
  const show = (point: Point) => place(point).map(round).join(' ')
  const between = (a: Point, b: Point, c: Point, sign: 1 | -1): Point => [
    b[0] + (sign * (c[0] - a[0])) / 6,
    b[1] + (sign * (c[1] - a[1])) / 6,
  ]
  const curves = points.slice(1).map((end, i) => {
    const first = between(at(i - 1), at(i), end, 1)
    const second = between(at(i), end, at(i + 2), -1)
    return `C${show(first)} ${show(second)} ${show(end)}`
  })
  return `M${show(points[0]!)}${curves.join('')}`
}

function round(value: number) {
  return Math.round(value * 10) / 10
}

/** A figure as it is drawn, one part over the other: a shape to fill and its outline; then lines that say what is seen. */
export interface Figure {
  parts: { shape: string; outline: string[] }[]
  details: string[]
}

/** Between these heights a body is as wide as it is said to be; head and feet stay as they are. */
const WIDENS = { from: 66, whole: 150, least: 300, to: 400 }

/** By how much more than usual a body is wide at a height, for one that is `wide` times as wide about the middle. */
function moreAt(y: number, wide: number): number {
  const { from, whole, least, to } = WIDENS
  const share = Math.min((y - from) / (whole - from), (to - y) / (to - least), 1)
  return 1 + (wide - 1) * Math.max(0, share)
}

/**
 * The figure of a build from a side.
 *
 * @param wide how wide it is about the middle, times the usual
 */
export function drawFigure(build: Build, view: FigureView, wide = 1): Figure {
  if (view === 'side') {
    const place: Place = ([x, y]) => [97 + (x - 97) * moreAt(y, wide), y]
    const parts = [smooth(PROFILE[build], place), smooth(SIDE_ARM, asIs)]
    return {
      parts: parts.map((path) => ({ shape: `${path}Z`, outline: [path] })),
      details: SIDE.map((points) => smooth(points, asIs)),
    }
  }
  const halves = ([1, -1] as const).map((side): Place => ([x, y]) => {
    return [MIDLINE + side * x * moreAt(y, wide), y]
  })
  const both = (points: Point[]) => halves.map((place) => smooth(points, place))
  const outline = halves.flatMap((place) => [
    smooth(HEAD_AND_ARM[build], place),
    smooth(FLANK_AND_LEG[build], place),
  ])
  const shape = [0, 2]
    .map((i) => `${outline[i]}${outline[i + 1]!.replace(/^M[^C]+/, '')}Z`)
    .join('')
  const fingers = FINGERS.map((points) => points.map(([x, y]): Point => [x - FINGERS_IN[build], y]))
  const paired = view === 'front' ? [...FRONT[build], ...FRONT_OF_ALL] : BACK
  const single = view === 'front' ? [NAVEL] : SPINE
  const details = [...paired, ...fingers].flatMap(both)
  return {
    parts: [{ shape, outline }],
    details: [...details, ...single.map((points) => smooth(points, halves[0]!))],
  }
}

const drawn = new Map<string, Figure>()
/** The figure as wide as usual, drawn once. */
export function plainFigure(build: Build, view: FigureView): Figure {
  const name = `${build} ${view}`
  const figure = drawn.get(name) ?? drawFigure(build, view)
  drawn.set(name, figure)
  return figure
}

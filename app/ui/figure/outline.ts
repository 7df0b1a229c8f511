/*
 * The drawn figure: one half of a plain standing outline as points from the midline, mirrored. Box of 200 by 440.
 */

type Point = readonly [x: number, y: number]

export const FIGURE_WIDTH = 200
export const FIGURE_HEIGHT = 440
const MIDLINE = FIGURE_WIDTH / 2

/** From the crown down the outside of the arm and back up to the armpit. */
const HEAD_AND_ARM: Point[] = [
  [0, 8],
  [10, 10.5],
  [17, 18],
  [19, 31],
  [17, 44],
  [11.5, 55],
  [10, 62],
  [11, 69],
  [18, 74],
  [32, 78],
  [44, 82],
  [51, 91],
  [54, 106],
  [56, 126],
  [59, 146],
  [64, 164],
  [68, 184],
  [71, 202],
  [75, 214],
  [77, 226],
  [74, 238],
  [69.5, 240],
  [66, 230],
  [65, 216],
  [62, 203],
  [55, 180],
  [50, 160],
  [46, 140],
  [42, 120],
  [39, 108],
]

/** From the armpit down the flank, round the foot and up the inside of the leg. */
const FLANK_AND_LEG: Point[] = [
  [39, 108],
  [38, 124],
  [36, 140],
  [32.5, 156],
  [31, 170],
  [33, 184],
  [37, 198],
  [40, 212],
  [41.5, 230],
  [40.5, 252],
  [37, 278],
  [32, 302],
  [29.5, 316],
  [30, 328],
  [31.5, 344],
  [30.5, 362],
  [26, 384],
  [22.5, 402],
  [22.5, 412],
  [27, 422],
  [28, 429],
  [20, 431.5],
  [11, 431],
  [9.5, 422],
  [10.5, 410],
  [10, 396],
  [7.5, 374],
  [7, 350],
  [8, 330],
  [8, 312],
  [6, 284],
  [3.5, 252],
  [0, 224],
]

/** A smooth path through points (Catmull-Rom as cubic Béziers). */
function smooth(points: Point[], side: 1 | -1): string {
  const at = (i: number) => points[Math.min(Math.max(i, 0), points.length - 1)]!
  const show = ([x, y]: Point) => `${round(MIDLINE + side * x)} ${round(y)}`
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

/** The outline as four open paths: each half in two pieces that meet in the armpit. */
export const OUTLINE: string[] = ([1, -1] as const).flatMap((side) => [
  smooth(HEAD_AND_ARM, side),
  smooth(FLANK_AND_LEG, side),
])

/** The same outline as one closed shape, for the fill. */
export const SILHOUETTE: string = ([1, -1] as const)
  .map((side) => {
    const arm = smooth(HEAD_AND_ARM, side)
    const leg = smooth(FLANK_AND_LEG, side).replace(/^M[^C]+/, '')
    return `${arm}${leg}Z`
  })
  .join('')

/** Lines that say which side is seen and where the bones are. */
export const DETAILS: Record<'front' | 'back', string[]> = {
  front: [
    // Collar bones, navel, hip crests, groin creases, kneecaps.
    'M94 82C84 80 74 81 64 83',
    'M106 82C116 80 126 81 136 83',
    'M100 183.5v3',
    'M66 190C70 186 74 188 77 194',
    'M134 190C130 186 126 188 123 194',
    'M97 224C88 221 78 214 70 205',
    'M103 224C112 221 122 214 130 205',
    'M75 318c5 4 9 4 13 0',
    'M112 318c4 4 8 4 13 0',
  ],
  back: [
    // Spine, shoulder blades, gluteal folds, elbows.
    'M100 78V196',
    'M82 92C80 106 82 118 87 130C80 128 74 122 70 114',
    'M118 92C120 106 118 118 113 130C120 128 126 122 130 114',
    'M98 222C90 231 78 232 68 228',
    'M102 222C110 231 122 232 132 228',
    'M100 198V222',
  ],
}

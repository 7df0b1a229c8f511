/* What the panels share that are drawn as SVG of 100 by 100: percent from the left and from the top. */

export interface Corner {
  x: number
  y: number
}

/** A line of the grid across a panel. */
export interface GridLine {
  value: number
  y: number
}

const STEPS = [0.5, 1, 2, 5, 10, 20, 50, 100, 200]

/** The least step between lines with which a span has at most so many. */
export const gridStep = (span: number, lines: number): number =>
  STEPS.find((step) => span / step <= lines) ?? STEPS.at(-1)!

/** Lines across a panel from one value to another, both among them, and where a value lies in it. */
export function gridOf(from: number, to: number, step: number) {
  const yOf = (value: number) => (100 * (to - value)) / (to - from)
  const grid = Array.from({ length: Math.round((to - from) / step) + 1 }, (_, i): GridLine => {
    const value = from + i * step
    return { value, y: yOf(value) }
  })
  return { yOf, grid }
}

/** Points of a line or a polygon as SVG takes them. */
export const cornersText = (of: readonly Corner[]): string =>
  of.map(({ x, y }) => `${x.toFixed(2)},${y.toFixed(2)}`).join(' ')

/** The polygon of a band: along its upper edge and back along its lower. */
export const bandText = (
  of: readonly { x: number; low: number; high: number }[],
  yOf: (value: number) => number,
): string =>
  cornersText([
    ...of.map(({ x, high }) => ({ x, y: yOf(high) })),
    ...[...of].reverse().map(({ x, low }) => ({ x, y: yOf(low) })),
  ])

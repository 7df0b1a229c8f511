import { median, probit, quantileSorted } from 'simple-statistics'

/** A slope with its interval, robust against odd points. */
export interface Trend {
  /** Per unit of x. */
  slope: number
  intercept: number
  /** 95 %; null with fewer than four points, where none can be given. */
  interval: [low: number, high: number] | null
  points: number
}

export interface Point {
  x: number
  y: number
}

/** Points from which an interval is given. */
const ENOUGH = 4

/**
 * Slope by Theil and Sen: the median of the slopes of all pairs, with the interval by Kendall's variance.
 * Theil H, Proc K Ned Akad Wet 1950;53:386-392; Sen PK, J Am Stat Assoc 1968;63:1379-1389 (from memory).
 *
 * @param points at least two with different x, in any order
 * @param confidence of the interval
 * @returns undefined where no slope can be drawn
 * @example theilSen([{ x: 0, y: 80 }, { x: 1, y: 79.5 }, { x: 2, y: 79 }])?.slope // -0.5
 */
export function theilSen(points: readonly Point[], confidence = 0.95): Trend | undefined {
  const slopes: number[] = []
  for (let i = 0; i < points.length; i++) {
    for (let j = i + 1; j < points.length; j++) {
      const dx = points[j]!.x - points[i]!.x
      if (dx !== 0) slopes.push((points[j]!.y - points[i]!.y) / dx)
    }
  }
  if (slopes.length === 0) return undefined
  const sorted = Float64Array.from(slopes).sort() as unknown as number[]
  const slope = quantileSorted(sorted, 0.5)
  const intercept = median(points.map(({ x, y }) => y - slope * x))
  const n = points.length
  return {
    slope,
    intercept,
    interval: n < ENOUGH ? null : kendallInterval(sorted, n, confidence),
    points: n,
  }
}

function kendallInterval(
  sorted: ArrayLike<number>,
  n: number,
  confidence: number,
): [number, number] {
  const spread = probit(1 - (1 - confidence) / 2) * Math.sqrt((n * (n - 1) * (2 * n + 5)) / 18)
  const at = (rank: number) => sorted[Math.min(sorted.length - 1, Math.max(0, Math.round(rank)))]!
  const half = sorted.length / 2
  return [at(half - spread / 2 - 1), at(half + spread / 2)]
}

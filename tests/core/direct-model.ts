import type { Movement } from '#core'
import type { ObservedRow } from '../../core/change/model/filter'

/*
 * The model of the record once more, as one multivariate normal distribution of all numbers: slow, and with nothing in
 * common with the filter but the assumptions. Rasmussen CE, Williams CKI, Gaussian Processes for Machine Learning, 2006,
 * chapter 2 (from memory).
 */

const WEEKS_OF_TURN = 4

/** A phase: from when it runs, and how each part moves in it. */
export interface DirectPhase {
  from: number
  moves: readonly (Movement | null)[]
}

export interface DirectRecord {
  rows: readonly (ObservedRow & { week: number })[]
  phases: readonly DirectPhase[]
  /** By part: about where its level lies, and how little is known of it. */
  levels: readonly { mean: number; sd: number }[]
  driftVariance: number
  biasSd: number
}

/** Covariance of the level of a part at two times, beside that of where it began. */
function movedCovariance(phases: readonly DirectPhase[], part: number, s: number, t: number) {
  return phases.reduce((sum, { from, moves }, i) => {
    const until = phases[i + 1]?.from ?? Infinity
    const move = moves[part]
    if (!move) return sum
    const [a, b] = [s, t].map((at) => Math.max(0, Math.min(at, until) - from)).sort((x, y) => x - y)
    const turn = (move.turn ** 2 / WEEKS_OF_TURN) * ((a! ** 2 * (3 * b! - a!)) / 6)
    return sum + move.slope ** 2 * a! * b! + turn + (move.wander ** 2 / WEEKS_OF_TURN) * a!
  }, 0)
}

/** Solves L x = b for a lower triangular L. */
function forward(lower: readonly number[][], b: readonly number[]): number[] {
  const x: number[] = []
  b.forEach((value, i) => {
    let rest = value
    for (let j = 0; j < i; j++) rest -= lower[i]![j]! * x[j]!
    x.push(rest / lower[i]![i]!)
  })
  return x
}

function cholesky(matrix: readonly number[][]): number[][] {
  const lower = matrix.map((row) => row.map(() => 0))
  matrix.forEach((row, i) => {
    for (let j = 0; j <= i; j++) {
      let sum = row[j]!
      for (let k = 0; k < j; k++) sum -= lower[i]![k]! * lower[j]![k]!
      lower[i]![j] = i === j ? Math.sqrt(sum) : sum / lower[j]![j]!
    }
  })
  return lower
}

/** What all numbers together say, with the change of each part from one week to another. */
export function directly(record: DirectRecord, from: number, to: number) {
  const { rows, phases, levels, driftVariance, biasSd } = record
  const levelCovariance = (part: number, s: number, t: number) =>
    levels[part]!.sd ** 2 + movedCovariance(phases, part, s, t)
  const matrix = rows.map((a, i) =>
    rows.map((b, j) => {
      const moved = levels.reduce(
        (sum, _, part) =>
          sum + a.levels[part]! * b.levels[part]! * levelCovariance(part, a.week, b.week),
        0,
      )
      const drift = a.drift * b.drift * driftVariance * Math.min(a.week, b.week)
      const bias = a.pair > 0 && a.pair === b.pair ? a.perBias * b.perBias * biasSd ** 2 : 0
      return moved + drift + bias + (i === j ? a.variance : 0)
    }),
  )
  const expected = (row: ObservedRow) =>
    row.levels.reduce((sum, of, part) => sum + of * levels[part]!.mean, 0)
  const lower = cholesky(matrix)
  const whitened = forward(
    lower,
    rows.map((row) => row.value - expected(row)),
  )
  const logEvidence = whitened.reduce(
    (sum, value, i) => sum - Math.log(lower[i]![i]!) - value ** 2 / 2,
    0,
  )
  const changes = levels.map((_, part) => {
    const withRows = rows.map(
      ({ levels: of, week }) =>
        of[part]! * (levelCovariance(part, to, week) - levelCovariance(part, from, week)),
    )
    const known = forward(lower, withRows)
    const prior =
      movedCovariance(phases, part, to, to) +
      movedCovariance(phases, part, from, from) -
      2 * movedCovariance(phases, part, from, to)
    return {
      mean: known.reduce((sum, value, i) => sum + value * whitened[i]!, 0),
      variance: prior - known.reduce((sum, value) => sum + value ** 2, 0),
    }
  })
  return { logEvidence, changes }
}

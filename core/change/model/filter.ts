import type { Movement } from './figures'
import { type Moving, type Smoothed, Tape } from './smoother'

/** One number that was observed, as a sum of what it depends on and an error of its own. */
export interface ObservedRow {
  /** By part: how much of its level is in it. */
  levels: readonly number[]
  /** Per unit of the drift. */
  drift: number
  /** Which pair of tester and caliper read it, 0 for the first, and what a bias of 1 does. */
  pair: number
  perBias: number
  value: number
  variance: number
  /** Read off the scale, or by the method. */
  kind: ErrorKind
}

export type ErrorKind = 'scale' | 'method'

/** By how much the errors of one person are larger than usual, by kind. */
export type Noise = Readonly<Record<ErrorKind, number>> & {
  /** How usual that is. */
  share: number
}

/** A sum of parts at a stop. */
export interface LevelAndChange {
  level: Smoothed
  change: Smoothed
}

/** So little is known of a level before the first number, in standard deviations of a slope of a week. */
const UNKNOWN_WEEKS = 400
const WEEKS_OF_TURN = 4

/**
 * One linear Gaussian model of a record as a Kalman filter: by part a level and a slope, the drift of the method, a bias
 * for each pair of tester and caliper after the first, and marks, which keep a level as it was on a day, so that a
 * change since then has its error at once. Durbin J, Koopman SJ, Time Series Analysis by State Space Methods, 2012,
 * chapters 3 to 5 (from memory).
 */
export class RecordFilter {
  private readonly size: number
  private readonly driftAt: number
  private readonly mean: Float64Array
  private readonly covariance: Float64Array
  private readonly gain: Float64Array
  private expected = 0
  private spread = 0
  private moves: (Movement | null)[]
  logEvidence = 0
  private tape: Tape | undefined

  /**
   * @param driftVariance of the drift, a week
   * @param biasSd of each pair after the first
   * @param noise by how much errors are larger than the rows say
   */
  constructor(
    private readonly parts: number,
    private readonly pairs: number,
    private readonly marks: number,
    private readonly driftVariance: number,
    biasSd: number,
    private readonly noise: Noise,
  ) {
    this.driftAt = 2 * parts
    this.size = this.driftAt + 1 + Math.max(0, pairs - 1) + parts * marks
    this.mean = new Float64Array(this.size)
    this.covariance = new Float64Array(this.size * this.size)
    this.gain = new Float64Array(this.size)
    this.moves = Array.from({ length: parts }, () => null)
    for (let pair = 1; pair < pairs; pair++) this.set(this.driftAt + pair, biasSd ** 2)
  }

  private set(at: number, variance: number) {
    this.covariance[at * this.size + at] = variance
  }

  /** A level of which nothing is known but about where it lies. */
  begin(part: number, level: number, unit: number) {
    this.mean[2 * part] = level
    this.set(2 * part, (UNKNOWN_WEEKS * unit) ** 2)
  }

  /** From here on parts move anew: each by a slope of its own, or not at all. */
  startPhase(moves: readonly (Movement | null)[]) {
    this.moves = [...moves]
    moves.forEach((move, part) => {
      const slope = 2 * part + 1
      this.mean[slope] = 0
      this.clear(slope)
      this.tape?.renew(slope)
      this.set(slope, (move?.slope ?? 0) ** 2)
    })
  }

  private clear(at: number) {
    const { size, covariance } = this
    for (let i = 0; i < size; i++) covariance[at * size + i] = covariance[i * size + at] = 0
  }

  /** Lets weeks pass. */
  advance(weeks: number) {
    if (weeks <= 0) return
    const { size, covariance, mean } = this
    this.tape?.advance(weeks, this.moving())
    for (let part = 0; part < this.parts; part++) {
      const move = this.moves[part]
      if (!move) continue
      const [level, slope] = [2 * part, 2 * part + 1]
      mean[level]! += weeks * mean[slope]!
      for (let i = 0; i < size; i++) {
        covariance[level * size + i]! += weeks * covariance[slope * size + i]!
      }
      for (let i = 0; i < size; i++) {
        covariance[i * size + level]! += weeks * covariance[i * size + slope]!
      }
      const turn = move.turn ** 2 / WEEKS_OF_TURN
      const wander = move.wander ** 2 / WEEKS_OF_TURN
      covariance[level * size + level]! += (turn * weeks ** 3) / 3 + wander * weeks
      covariance[level * size + slope]! += (turn * weeks ** 2) / 2
      covariance[slope * size + level]! += (turn * weeks ** 2) / 2
      covariance[slope * size + slope]! += turn * weeks
    }
    covariance[this.driftAt * size + this.driftAt]! += this.driftVariance * weeks
  }

  /** Levels that move, with their slopes. */
  private moving = (): Moving =>
    this.moves.flatMap((move, part) => (move ? [[2 * part, 2 * part + 1] as const] : []))

  /** From here on everything is kept that it takes to look back; before the first number. */
  record() {
    this.tape = new Tape(this.size)
  }

  /** A day that will be looked back at. */
  stop() {
    this.tape?.stop(this.mean, this.covariance)
  }

  /**
   * Sums of parts at each stop by everything that was learnt, before it and after: by themselves, and as changes since a
   * mark. A change means something from the stop of its mark on.
   *
   * @returns by stop and by sum
   */
  back(sums: readonly (readonly number[])[], from: number): LevelAndChange[][] {
    const asked = sums.flatMap((of) => {
      const level = of.map((weight, part) => [2 * part, weight] as const)
      const kept = of.map((weight, part) => [this.markAt(from, part), -weight] as const)
      return [level, [...level, ...kept]]
    })
    return (this.tape?.smoothed(asked) ?? []).map((found) =>
      sums.map((_, i) => ({ level: found[2 * i]!, change: found[2 * i + 1]! })),
    )
  }

  /** What is expected of a number before it is seen. */
  expect(observed: ObservedRow) {
    this.look(observed)
    return { expected: this.expected, variance: this.spread }
  }

  /** Works out what is expected of a number, and how everything varies with it. In plain loops: it is done most. */
  private look({ levels, drift, pair, perBias, variance, kind }: ObservedRow) {
    const { size, covariance, mean, gain, driftAt } = this
    const pairAt = driftAt + pair
    let spread = this.noise[kind] ** 2 * variance
    let expected = drift * mean[driftAt]!
    for (let part = 0; part < this.parts; part++) expected += levels[part]! * mean[2 * part]!
    if (pair > 0) expected += perBias * mean[pairAt]!
    for (let i = 0; i < size; i++) {
      const at = i * size
      let sum = drift * covariance[at + driftAt]!
      for (let part = 0; part < this.parts; part++)
        sum += levels[part]! * covariance[at + 2 * part]!
      if (pair > 0) sum += perBias * covariance[at + pairAt]!
      gain[i] = sum
    }
    for (let part = 0; part < this.parts; part++) spread += levels[part]! * gain[2 * part]!
    spread += drift * gain[driftAt]!
    if (pair > 0) spread += perBias * gain[pairAt]!
    this.expected = expected
    this.spread = spread
  }

  /** Learns from a number. */
  learn(observed: ObservedRow) {
    this.look(observed)
    const { size, covariance, mean, gain, spread } = this
    const off = observed.value - this.expected
    this.logEvidence -= 0.5 * (Math.log(spread) + off ** 2 / spread)
    this.tape?.learn({
      ...{ row: this.rowOf(observed), share: gain.map((of) => of / spread), off, spread },
    })
    for (let i = 0; i < size; i++) {
      const share = gain[i]! / spread
      if (share === 0) continue
      mean[i]! += share * off
      for (let j = 0; j <= i; j++) {
        const less = covariance[i * size + j]! - share * gain[j]!
        covariance[i * size + j] = less
        covariance[j * size + i] = less
      }
    }
  }

  /** What a number depends on, state by state. */
  private rowOf({ levels, drift, pair, perBias }: ObservedRow): Float64Array {
    const row = new Float64Array(this.size)
    levels.forEach((of, part) => (row[2 * part] = of))
    row[this.driftAt] = drift
    if (pair > 0) row[this.driftAt + pair] = perBias
    return row
  }

  private markAt(mark: number, part: number) {
    return this.size - this.parts * (this.marks - mark) + part
  }

  /** Keeps the levels as they are now under a mark. */
  keep(mark: number) {
    const { size, covariance, mean } = this
    for (let part = 0; part < this.parts; part++) {
      const [at, level] = [this.markAt(mark, part), 2 * part]
      mean[at] = mean[level]!
      for (let i = 0; i < size; i++) covariance[at * size + i] = covariance[level * size + i]!
      for (let i = 0; i < size; i++) covariance[i * size + at] = covariance[i * size + level]!
    }
  }

  /** Level of a part, now or as a mark kept it. */
  levelAt(part: number, mark?: number): number {
    return this.mean[mark === undefined ? 2 * part : this.markAt(mark, part)]!
  }

  slopeOf(part: number): number {
    return this.mean[2 * part + 1]!
  }

  /**
   * The change of a sum of parts from a mark to now.
   *
   * @param of by part: how much of it counts
   */
  change(of: readonly number[], from: number): { mean: number; variance: number } {
    const { size, covariance, mean } = this
    const weights: [at: number, weight: number][] = of.flatMap((weight, part) => [
      [2 * part, weight],
      [this.markAt(from, part), -weight],
    ])
    let [total, variance] = [0, 0]
    for (const [i, a] of weights) {
      total += a * mean[i]!
      for (const [j, b] of weights) variance += a * b * covariance[i * size + j]!
    }
    return { mean: total, variance: Math.max(0, variance) }
  }

  /** One and the same, to go on by itself; without the marks, which only a change is read off. */
  copy(): RecordFilter {
    const other = new RecordFilter(
      ...([this.parts, this.pairs, 0, this.driftVariance] as const),
      ...([0, this.noise] as const),
    )
    for (let i = 0; i < other.size; i++) {
      other.mean[i] = this.mean[i]!
      for (let j = 0; j < other.size; j++) {
        other.covariance[i * other.size + j] = this.covariance[i * this.size + j]!
      }
    }
    other.moves = [...this.moves]
    other.logEvidence = this.logEvidence
    return other
  }
}

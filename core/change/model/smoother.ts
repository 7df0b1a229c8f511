/** Which parts of the state moved while weeks passed: the place of a level, and that of its slope. */
export type Moving = readonly (readonly [level: number, slope: number])[]

/** One thing that a filter did. */
type Step =
  | { did: 'learn'; row: Float64Array; share: Float64Array; off: number; spread: number }
  | { did: 'advance'; weeks: number; moving: Moving }
  | { did: 'renew'; at: number }
  | { did: 'stop'; mean: Float64Array; covariance: Float64Array }

/** A sum of states, each with how much of it counts. */
export type StateSum = readonly (readonly [at: number, weight: number])[]

export interface Smoothed {
  mean: number
  variance: number
}

/**
 * What a filter did, step by step, so that what was learnt later can be carried back to the stops on its way: the
 * backward recursions of a disturbance smoother, which invert nothing, so that levels which are kept as marks and states
 * known for certain do no harm. That a mark was kept is no step: no number is ever read off a mark, so nothing is said of it. Durbin J, Koopman SJ, Time Series Analysis by State Space Methods, 2012, section 4.4
 * (from memory); checked against one normal distribution of all numbers in tests/core/record-model.test.ts.
 */
export class Tape {
  private readonly steps: Step[] = []

  constructor(private readonly size: number) {}

  learn(step: Omit<Extract<Step, { did: 'learn' }>, 'did'>) {
    this.steps.push({ did: 'learn', ...step })
  }

  advance(weeks: number, moving: Moving) {
    this.steps.push({ did: 'advance', weeks, moving })
  }

  /** A state forgot what it was. */
  renew(at: number) {
    this.steps.push({ did: 'renew', at })
  }

  /** A place to which later numbers will be carried back. */
  stop(mean: Float64Array, covariance: Float64Array) {
    this.steps.push({ did: 'stop', mean: mean.slice(), covariance: covariance.slice() })
  }

  /**
   * Sums of states at every stop, by all numbers, also those that came later.
   *
   * @param sums each as states with their weights
   * @returns by stop, oldest first, and by sum
   */
  smoothed(sums: readonly StateSum[]): Smoothed[][] {
    const back = new Backward(this.size)
    const stops: Smoothed[][] = []
    for (let i = this.steps.length - 1; i >= 0; i--) {
      const step = this.steps[i]!
      if (step.did === 'stop') stops.push(sums.map((sum) => back.at(step, sum)))
      else back.undo(step)
    }
    return stops.reverse()
  }
}

/** What later numbers say of a state: where to it is to be moved, and how much surer it becomes. */
class Backward {
  private readonly pull: Float64Array
  private readonly surer: Float64Array

  constructor(private readonly size: number) {
    this.pull = new Float64Array(size)
    this.surer = new Float64Array(size * size)
  }

  at(
    { mean, covariance }: { mean: Float64Array; covariance: Float64Array },
    sum: StateSum,
  ): Smoothed {
    const { size, pull, surer } = this
    const varies = new Float64Array(size)
    let total = 0
    for (const [at, weight] of sum) {
      total += weight * mean[at]!
      for (let i = 0; i < size; i++) varies[i]! += weight * covariance[i * size + at]!
    }
    let variance = sum.reduce((all, [at, weight]) => all + weight * varies[at]!, 0)
    for (let i = 0; i < size; i++) {
      total += varies[i]! * pull[i]!
      for (let j = 0; j < size; j++) variance -= varies[i]! * surer[i * size + j]! * varies[j]!
    }
    return { mean: total, variance: Math.max(0, variance) }
  }

  undo(step: Exclude<Step, { did: 'stop' }>) {
    switch (step.did) {
      case 'learn':
        return this.unlearn(step)
      case 'advance':
        for (const [level, slope] of step.moving) this.add(slope, step.weeks, level)
        return
      case 'renew':
        return this.clear(step.at)
    }
  }

  /** What is said of one state is said of another too, so many times. */
  private add(to: number, times: number, from: number) {
    const { size, pull, surer } = this
    pull[to]! += times * pull[from]!
    for (let i = 0; i < size; i++) surer[to * size + i]! += times * surer[from * size + i]!
    for (let i = 0; i < size; i++) surer[i * size + to]! += times * surer[i * size + from]!
  }

  private clear(at: number) {
    const { size, pull, surer } = this
    pull[at] = 0
    for (let i = 0; i < size; i++) surer[at * size + i] = surer[i * size + at] = 0
  }

  private unlearn({ row, share, off, spread }: Extract<Step, { did: 'learn' }>) {
    const { size, pull, surer } = this
    const said = new Float64Array(size)
    let [pulled, once] = [off / spread, 1 / spread]
    for (let i = 0; i < size; i++) {
      let sum = 0
      for (let j = 0; j < size; j++) sum += surer[i * size + j]! * share[j]!
      said[i] = sum
      pulled -= share[i]! * pull[i]!
      once += share[i]! * sum
    }
    for (let i = 0; i < size; i++) {
      pull[i]! += row[i]! * pulled
      for (let j = 0; j < size; j++) {
        surer[i * size + j]! += row[i]! * row[j]! * once - row[i]! * said[j]! - said[i]! * row[j]!
      }
    }
  }
}

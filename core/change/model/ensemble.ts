import type { Movement } from './figures'
import { type LevelAndChange, type Noise, type ObservedRow, RecordFilter } from './filter'
import type { Smoothed } from './smoother'

/** What is judged: which parts it is made of. All of them stand still where it does. */
export type PartSet = readonly number[]

/** A record in numbers, as the model takes it. */
export interface RecordForm {
  /** By part: its movements, wide and narrow. */
  moves: readonly (readonly Movement[])[]
  pairs: number
  biasSd: number
  /** How noisy a person may be: under every hypothesis the same. */
  noises: readonly Noise[]
  /** Of the drift, a week. */
  driftVariance: number
  /** What is judged, by name. */
  judged: Readonly<Record<string, PartSet>>
}

/** Levels that are kept: at the first check-in, where the phase began, at the last check-in, and on a day that was chosen. */
const MARKS = { first: 0, phase: 1, last: 2, chosen: 3 } as const
const MARKS_KEPT = Object.keys(MARKS).length

/** What is wanted of an ensemble besides its odds. */
interface Wanted {
  /** What was between: see `back`. */
  recorded?: boolean
  /** How likely all numbers are, and nothing else. */
  evidenceOnly?: boolean
}

/** Since when a change is judged. */
export type Horizon = 'first' | 'phase' | 'last'
/** A day whose levels are kept. */
export type Mark = keyof typeof MARKS

/** How much more a wide movement counts than a narrow one in the size of a change. */
const WIDE_FAVOURED = 6

/** Log of the mean of numbers given by their logs. */
function logMeanExp(logs: readonly number[]): number {
  const most = Math.max(...logs)
  return most + Math.log(logs.reduce((sum, log) => sum + Math.exp(log - most), 0) / logs.length)
}

/** Every choice of one movement for each part; a part that stands still has none. */
function choicesOf(
  moves: RecordForm['moves'],
  still: PartSet = [],
): (readonly (Movement | null)[])[] {
  return moves.reduce<(Movement | null)[][]>(
    (choices, ofPart, part) =>
      choices.flatMap((choice) =>
        (still.includes(part) ? [null] : ofPart).map((move) => [...choice, move]),
      ),
    [[]],
  )
}

/** What several fits say, each counting as much as its weight. */
function mixture(weights: readonly number[], each: readonly Smoothed[]): Smoothed {
  const mean = each.reduce((sum, part, i) => sum + weights[i]! * part.mean, 0)
  const variance = each.reduce(
    (sum, part, i) => sum + weights[i]! * (part.variance + (part.mean - mean) ** 2),
    0,
  )
  return { mean, variance }
}

/** One filter, and how its parts move. */
interface Member {
  filter: RecordFilter
  choice: readonly (Movement | null)[]
}

/**
 * The fits of one record: every choice of movements, and beside them, for each thing that is judged, the same without any
 * movement of it, in the phase or at all. Numbers are learnt one after another, so that every look costs the same.
 */
export class Ensemble {
  private moving: Member[]
  /** No movement in the phase; while there is but one phase these are those without any movement. */
  private stillInPhase: Record<string, Member[]>
  private stillSinceFirst: Record<string, Member[]>
  private phases = 0
  private everyone: RecordFilter[]

  constructor(
    private readonly form: RecordForm,
    levels: readonly number[],
    private readonly wanted: Wanted = {},
  ) {
    const { moves, pairs, biasSd, driftVariance, judged } = form
    const member = (choice: readonly (Movement | null)[], noise: Noise, kept: number): Member => {
      const filter = new RecordFilter(
        ...([moves.length, pairs, kept, driftVariance] as const),
        ...([biasSd, noise] as const),
      )
      if (wanted.recorded && kept) filter.record()
      levels.forEach((level, part) => filter.begin(part, level, moves[part]![0]!.slope))
      filter.startPhase(choice)
      // A mean over noises that are not equally usual.
      filter.logEvidence = Math.log(noise.share * this.form.noises.length)
      return { filter, choice }
    }
    const members = (choices: readonly (readonly (Movement | null)[])[], kept = 0) =>
      choices.flatMap((choice) => this.form.noises.map((noise) => member(choice, noise, kept)))
    this.moving = members(choicesOf(moves), wanted.evidenceOnly ? 0 : MARKS_KEPT)
    this.stillInPhase = {}
    this.stillSinceFirst = Object.fromEntries(
      Object.entries(judged).map(([name, still]) => [name, members(choicesOf(moves, still))]),
    )
    this.everyone = this.list()
  }

  /** Every filter there is, listed once for each phase. */
  private list(): RecordFilter[] {
    const still = [this.stillInPhase, this.stillSinceFirst].flatMap((of) => Object.values(of))
    return [this.moving, ...still].flat().map(({ filter }) => filter)
  }

  /** Lets weeks pass. */
  advance(weeks: number) {
    for (const filter of this.everyone) filter.advance(weeks)
  }

  learn(row: ObservedRow) {
    for (const filter of this.everyone) filter.learn(row)
  }

  /** Keeps the levels of now as those that a change is counted from. */
  keep(mark: Mark) {
    if (this.wanted.evidenceOnly) return
    for (const { filter } of this.moving) filter.keep(MARKS[mark])
  }

  /** A day that will be looked back at. */
  stop() {
    for (const { filter } of this.moving) filter.stop()
  }

  /** A phase begins: every part may move anew from here, and its start is kept. */
  startPhase() {
    this.keep('phase')
    this.phases++
    this.stillInPhase = Object.fromEntries(
      Object.entries(this.form.judged).map(([name, still]) => [
        name,
        this.moving.map(({ filter, choice }) => {
          const held = choice.map((move, part) => (still.includes(part) ? null : move))
          const other = filter.copy()
          other.startPhase(held)
          return { filter: other, choice: held }
        }),
      ]),
    )
    for (const { filter, choice } of this.moving) filter.startPhase(choice)
    for (const all of Object.values(this.stillSinceFirst)) {
      for (const { filter, choice } of all) filter.startPhase(choice)
    }
    this.everyone = this.list()
  }

  private logMean = (members: readonly Member[]) =>
    logMeanExp(members.map(({ filter }) => filter.logEvidence))

  /** Log of how likely all numbers are where everything may move, but for what no figure changes. */
  get logEvidence(): number {
    return this.logMean(this.moving)
  }

  /** Odds that something moved, in the phase or since the first, against that it did not. */
  odds(name: string, horizon: 'phase' | 'first'): number {
    const still =
      horizon === 'phase' && this.phases > 0 ? this.stillInPhase[name] : this.stillSinceFirst[name]
    return Math.exp(this.logMean(this.moving) - this.logMean(still!))
  }

  /**
   * How much each fit counts in a change. A wide movement is favoured here, so that somebody who moves fast is not drawn
   * back to those who hardly do before there is much to tell them apart by; the odds favour neither.
   */
  private weights(): number[] {
    const { moves } = this.form
    const logs = this.moving.map(({ filter, choice }) =>
      choice.reduce(
        (log, move, part) => log + (move === moves[part]![0] ? Math.log(WIDE_FAVOURED) : 0),
        filter.logEvidence,
      ),
    )
    const all = logMeanExp(logs)
    return logs.map((log) => Math.exp(log - all) / logs.length)
  }

  /** A quantity over all fits, with its variance. */
  private mixed(of: (filter: RecordFilter) => Smoothed): Smoothed {
    return mixture(
      this.weights(),
      this.moving.map(({ filter }) => of(filter)),
    )
  }

  /** The change of a sum of parts since a mark. */
  change(of: readonly number[], from: Mark) {
    return this.mixed((filter) => filter.change(of, MARKS[from]))
  }

  /** The same for several sums at each stop, with their levels, by everything that was learnt before and after. */
  back(sums: readonly (readonly number[])[], from: Mark): LevelAndChange[][] {
    const weights = this.weights()
    const each = this.moving.map(({ filter }) => filter.back(sums, MARKS[from]))
    return each[0]!.map((stop, at) =>
      stop.map((_, sum) => {
        const of = each.map((stops) => stops[at]![sum]!)
        return {
          level: mixture(
            weights,
            of.map(({ level }) => level),
          ),
          change: mixture(
            weights,
            of.map(({ change }) => change),
          ),
        }
      }),
    )
  }

  /** What was to be expected of a number, before it is learnt. */
  expect(row: ObservedRow) {
    return this.mixed((filter) => {
      const { expected, variance } = filter.expect(row)
      return { mean: expected, variance }
    })
  }

  /** The level of a part now, or as a mark kept it. */
  level(part: number, mark?: Mark): number {
    return this.mixed((filter) => ({
      mean: filter.levelAt(part, mark && MARKS[mark]),
      variance: 0,
    })).mean
  }

  slope(part: number): number {
    return this.mixed((filter) => ({ mean: filter.slopeOf(part), variance: 0 })).mean
  }

  /**
   * One and the same, to try on it what may come: without its marks.
   *
   * @param names of what is judged on it, in the phase
   */
  trial(names: readonly string[]): Ensemble {
    const other = Object.create(Ensemble.prototype) as Ensemble
    const copied = (members: readonly Member[]) =>
      members.map(({ filter, choice }) => ({ filter: filter.copy(), choice }))
    const chosen = (of: Record<string, Member[]>) =>
      Object.fromEntries(names.flatMap((name) => (of[name] ? [[name, copied(of[name])]] : [])))
    const phase = this.phases > 0
    Object.assign(other, this, {
      moving: copied(this.moving),
      stillInPhase: phase ? chosen(this.stillInPhase) : {},
      stillSinceFirst: phase ? {} : chosen(this.stillSinceFirst),
    })
    other.everyone = other.list()
    return other
  }
}

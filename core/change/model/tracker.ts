import { Ensemble, type Horizon, type Mark, type RecordForm } from './ensemble'
import { CLEAR_ODDS } from './figures'
import type { ObservedRow } from './filter'
import { type JudgedChange, interval95, judged } from './verdict'
import type { VisitRows } from './visit'
import { type IsoDate, addDays, daysBetween } from '../../units/dates'

const WEEK = 7

/** A quantity that is a sum of parts. */
export interface TrackedQuantity {
  /** By part: how much of it counts. */
  of: readonly number[]
  /** What a change has to reach to matter. */
  matters: number
  /** The variance that the change of the first part adds, as a share of it squared. */
  slopeShare: number
}

/** A day for the tracker. */
export interface TrackedDay {
  date: IsoDate
  rows: VisitRows
  /** Body mass alone is none: it is learnt, and nothing is judged by it. */
  checkIn: boolean
}

/** A horizon of a look: since when, and every quantity. */
export type LookAt<Q extends string> = Record<Q, JudgedChange>

/** What is looked back at, besides the newest check-in. */
export interface Retrospect {
  /** A check-in from which a change is counted too. */
  chosen?: IsoDate
}

/** A check-in seen by all that came before and after it. */
export interface StopOnLine<Q extends string> {
  date: IsoDate
  line: Record<Q, LineAt>
}

/** Where a quantity was, and what it had changed since a mark. */
export interface LineAt {
  /** What the day read by itself, as a change from where the line was at the mark. */
  read: number
  change: number
  /** 95 % of the true change. */
  interval: [low: number, high: number]
}

/** How far a number of the last check-in lies off what was to be expected, in standard deviations. */
export interface OffLine {
  row: number
  deviations: number
}

/** What a day is off itself. */
const NONE = { mean: 0, variance: 0 }

/**
 * Follows one record through the model: each day is learnt in turn, and at every check-in the three horizons can be
 * read. Begins with the first check-in or weigh-in that it is given.
 */
export class RecordTracker<Q extends string> {
  private ensemble: Ensemble | undefined
  private on: IsoDate = ''
  private since: Record<Horizon, IsoDate | undefined> = {
    ...{ first: undefined, phase: undefined, last: undefined },
  }
  private newest: { date: IsoDate; rows: readonly ObservedRow[] } | undefined
  private off: OffLine[] = []
  private before: IsoDate | undefined
  /** True while the day learnt last is a check-in that is not yet the last one. */
  private fresh = false
  private stops: { date: IsoDate; raw: readonly number[] }[] = []

  /** @param retrospect given where the way to the newest check-in is wanted: it takes as long again */
  constructor(
    private readonly form: RecordForm,
    private readonly quantities: Readonly<Record<Q, TrackedQuantity>>,
    private readonly retrospect?: Retrospect,
  ) {}

  /**
   * Learns a day.
   *
   * @param levels about where the parts lie, for the very first day
   * @param looked whether it will be asked how far the day lies off the line
   */
  learn(day: TrackedDay, levels: readonly number[], looked: boolean) {
    this.ensemble ??= this.begin(day, levels)
    const { ensemble } = this
    ensemble.advance(daysBetween(this.on, day.date) / WEEK)
    this.on = day.date
    if (day.checkIn) this.off = []
    for (const [row, observed] of day.rows.rows.entries()) {
      if (looked && day.checkIn && this.newest) {
        const { mean, variance } = ensemble.expect(observed)
        this.off.push({ row, deviations: (observed.value - mean) / Math.sqrt(variance) })
      }
      ensemble.learn(observed)
    }
    this.fresh = day.checkIn
    if (day.checkIn) this.settle(day)
  }

  private begin({ date }: TrackedDay, levels: readonly number[]) {
    this.on = date
    return new Ensemble(this.form, levels, { recorded: this.retrospect !== undefined })
  }

  /** After a check-in: which levels are to be kept from here on. */
  private settle({ date, rows }: TrackedDay) {
    this.before = this.newest?.date
    this.newest = { date, rows: rows.rows }
    if (this.since.first === undefined) {
      this.ensemble!.keep('first')
      this.since.first = date
    }
    if (!this.retrospect) return
    if (this.retrospect.chosen === date) this.ensemble!.keep('chosen')
    this.ensemble!.stop()
    this.stops.push({ date, raw: rows.raw })
  }

  /**
   * Goes on from a day: a check-in becomes the last one, and where a phase begins on it every part may move anew.
   *
   * @param date of the day, whether it was learnt or not
   */
  leave(date: IsoDate, startsPhase = false) {
    const { ensemble } = this
    if (!ensemble) return
    if (this.fresh) {
      ensemble.keep('last')
      this.since.last = this.newest?.date
      this.fresh = false
    }
    if (!startsPhase) return
    ensemble.advance(daysBetween(this.on, date) / WEEK)
    this.on = date
    ensemble.startPhase()
    this.since.phase = date
  }

  /** True where the day learnt last is a check-in of that date. */
  isAt(date: IsoDate): boolean {
    return this.fresh && this.newest?.date === date
  }

  sinceOf(horizon: Horizon): IsoDate | undefined {
    return horizon === 'phase' ? (this.since.phase ?? this.since.first) : this.since[horizon]
  }

  /** Weeks from the beginning of a horizon to the newest check-in. */
  weeksOf(horizon: Horizon): number {
    const since = this.sinceOf(horizon)
    return since && this.newest ? daysBetween(since, this.newest.date) / WEEK : 0
  }

  /** Every quantity over a horizon, judged. */
  look(horizon: Horizon): LookAt<Q> | undefined {
    const { ensemble } = this
    if (!ensemble || !this.newest || this.sinceOf(horizon) === undefined) return undefined
    const mark = this.markOf(horizon)
    const first = ensemble.change([1], mark).mean
    return Object.fromEntries(
      Object.entries<TrackedQuantity>(this.quantities).map(([name, quantity]) => {
        const { mean, variance } = ensemble.change(quantity.of, mark)
        const widened = widen(variance, quantity, first)
        const odds = horizon === 'last' ? undefined : ensemble.odds(name, horizon)
        return [name, judged({ mean, variance: widened }, quantity.matters, odds)]
      }),
    ) as LookAt<Q>
  }

  /**
   * The way to the newest check-in: every check-in from a mark on, as all that came before and after it has it.
   *
   * @returns empty where no retrospect was asked for, or nothing was kept under the mark
   */
  course(from: Mark): StopOnLine<Q>[] {
    const { ensemble, retrospect } = this
    const since = from === 'chosen' ? retrospect?.chosen : this.sinceOf(from)
    const at = this.stops.findIndex(({ date }) => date === since)
    if (!ensemble || at < 0) return []
    const mark = from === 'chosen' ? from : this.markOf(from)
    const quantities = Object.entries<TrackedQuantity>(this.quantities)
    const back = ensemble.back([[1], ...quantities.map(([, { of }]) => of)], mark)
    return this.stops.slice(at).map(({ date, raw }, i) => {
      const [first, ...rest] = back[at + i]!
      const line = quantities.map(([name, quantity], q) => {
        const { level } = rest[q]!
        // The mark is set when its day is over: until then it is that of before.
        const change = i === 0 ? NONE : rest[q]!.change
        const was = level.mean - change.mean
        const read = quantity.of.reduce((sum, of, part) => sum + of * raw[part]!, 0) - was
        const variance = i === 0 ? 0 : widen(change.variance, quantity, first!.change.mean)
        return [name, { read, change: change.mean, interval: interval95(change.mean, variance) }]
      })
      return { date, line: Object.fromEntries(line) as Record<Q, LineAt> }
    })
  }

  private markOf = (horizon: Horizon): Horizon =>
    horizon === 'phase' && this.since.phase === undefined ? 'first' : horizon

  /** The level of a part at the beginning of a horizon, or now. */
  level(part: number, horizon?: Horizon): number {
    return this.ensemble!.level(part, horizon && this.markOf(horizon))
  }

  slope(part: number): number {
    return this.ensemble!.slope(part)
  }

  /** How far the numbers of the newest check-in lay off the line. */
  get offLine(): readonly OffLine[] {
    return this.off
  }

  /**
   * The first day, at a spacing of check-ins, on which data exactly on a pace would make one of some quantities clear.
   *
   * @param names of the quantities
   * @param spacingDays the usual one; that of the last two check-ins where not said
   * @param pace of each part a week; the one that is seen where not said
   * @returns undefined where it is not within a year and a half
   */
  readableFrom(
    names: readonly Q[],
    spacingDays = this.before && this.newest
      ? Math.max(WEEK, daysBetween(this.before, this.newest.date))
      : USUAL_SPACING_DAYS,
    pace?: readonly number[],
  ): IsoDate | undefined {
    if (!this.ensemble || !this.newest) return undefined
    const { rows } = this.newest
    const trial = this.ensemble.trial(names)
    const from = rows.map((row) => trial.expect(row).mean)
    const paces = pace ?? this.form.moves.map((_, part) => trial.slope(part))
    for (let days = spacingDays; days <= FARTHEST_DAYS; days += spacingDays) {
      trial.advance(spacingDays / WEEK)
      rows.forEach((row, i) => {
        const gone = row.levels.reduce((sum, of, part) => sum + of * (paces[part] ?? 0), 0)
        trial.learn({ ...row, value: from[i]! + (gone * days) / WEEK })
      })
      if (names.some((name) => trial.odds(name, 'phase') >= CLEAR_ODDS)) {
        return addDays(this.newest.date, days)
      }
    }
    return undefined
  }
}

/** An equation's slope is not exactly one in each person: the more the first part changed, the less is known of how far. */
const widen = (variance: number, { slopeShare }: TrackedQuantity, first: number) =>
  variance + (slopeShare * first) ** 2

const USUAL_SPACING_DAYS = 28
const FARTHEST_DAYS = 546

import { type LocatedFold, sumPerKgOfFat } from '../../composition/fold-sum'
import type { Conversion } from '../../equations/types'
import type { IsoDate } from '../../units/dates'
import type { Horizon, RecordForm } from './ensemble'
import {
  FAT_MOVES,
  LARGER_ERRORS,
  LARGER_SHARE,
  LEAN_MOVES,
  MATTERS,
  type ModelFigures,
  USUAL_FIGURES,
  scaledMoves,
} from './figures'
import { type OffLine, RecordTracker } from './tracker'
import type { JudgedChange } from './verdict'
import { type Visit, type VisitRows, compositionOf, massOf, sumOf } from './visit'

export type CompositionQuantity = 'fat' | 'lean' | 'mass'
export type RecordQuantity = CompositionQuantity | 'sum'

const WEEKS_OF_DRIFT = 10
const PARTS = { fat: 0, lean: 1 } as const

/** The usual errors, or larger ones of the scale, of the method, or of both. */
const EACH = [
  { by: 1, share: 1 - LARGER_SHARE },
  { by: LARGER_ERRORS, share: LARGER_SHARE },
]
const NOISES = EACH.flatMap((scale) =>
  EACH.map((method) => ({
    ...{ scale: scale.by, method: method.by, share: scale.share * method.share },
  })),
)
/** Where nothing is weighed. */
const METHOD_NOISES = EACH.map(({ by, share }) => ({ scale: 1, method: by, share }))

/** What every form of the model has in common. */
const formOf = ({ pairBias, driftPoints }: ModelFigures, pairs: number) => ({
  ...{ pairs, biasSd: pairBias, driftVariance: driftPoints ** 2 / WEEKS_OF_DRIFT },
})

/** The model of fat and lean. */
function compositionForm(figures: ModelFigures, pairs: number): RecordForm {
  return {
    ...formOf(figures, pairs),
    moves: [FAT_MOVES, LEAN_MOVES],
    noises: NOISES,
    judged: { fat: [PARTS.fat], lean: [PARTS.lean], mass: [PARTS.fat, PARTS.lean] },
  }
}

const COMPOSITION = (figures: ModelFigures) => ({
  fat: { of: [1, 0], matters: MATTERS.fat, slopeShare: figures.equationSlope },
  lean: { of: [0, 1], matters: MATTERS.lean, slopeShare: figures.equationSlope },
  mass: { of: [1, 1], matters: MATTERS.mass, slopeShare: 0 },
})

/** What a record is judged by. */
export interface RecordBasis {
  /** The equation of fat and lean; undefined where none is fed. */
  equationId: string | undefined
  conversion?: Conversion
  /** The folds whose sum is followed; none where there are fewer than two. */
  sumFolds: readonly LocatedFold[]
}

/** A horizon with what changed over it; what is not followed is not there. */
export interface JudgedHorizon {
  since: IsoDate
  weeks: number
  changes: Partial<Record<RecordQuantity, JudgedChange>>
}

/** One look at a record: its newest check-in and everything before it. */
export interface Look {
  date: IsoDate
  horizons: Partial<Record<Horizon, JudgedHorizon>>
  /** Body mass where the phase began, kg. */
  massAtPhaseKg: number | undefined
  /** How far the newest check-in lies off the line. */
  offLine: readonly OffLine[]
  /** When the change of the phase should be clear, by the pace given or seen. */
  readableFrom(spacingDays?: number, pace?: readonly number[]): IsoDate | undefined
}

/** A day without folds and tape is body mass alone. */
const isCheckIn = ({ measured }: Visit) => measured.length > 0

/**
 * Follows one person's record: every day in turn, and at each check-in a look. What is computed by an equation is
 * computed at the age of the newest check-in, so that a birthday is no change.
 */
export class RecordModel {
  private readonly seen: Visit[] = []
  private composition: RecordTracker<CompositionQuantity> | undefined
  private computedAt: { equationId: string; ageYears: number | undefined } | undefined
  private sum: RecordTracker<'sum'> | undefined

  /**
   * @param pairs every pair of tester and caliper of the record, the first one first: it is the reference
   */
  constructor(
    private readonly pairs: readonly string[],
    private readonly figures: ModelFigures = USUAL_FIGURES,
  ) {}

  /**
   * Learns a day.
   *
   * @param looked false where the record is not looked at on this day
   */
  learn(visit: Visit, basis: RecordBasis, looked = true) {
    this.learnComposition(visit, basis, looked)
    this.learnSum(visit, basis, looked)
    this.seen.push(visit)
  }

  private learnComposition(visit: Visit, basis: RecordBasis, looked: boolean) {
    const { equationId } = basis
    const { ageYears } = visit.subject
    const at = this.computedAt
    const named = isCheckIn(visit) && equationId !== undefined
    if (named && (at?.equationId !== equationId || at.ageYears !== ageYears)) {
      this.computedAt = { equationId, ageYears }
      this.composition = new RecordTracker(
        compositionForm(this.figures, this.pairs.length),
        COMPOSITION(this.figures),
      )
      for (const earlier of this.seen) {
        this.learnDay(earlier, basis, false)
        this.composition.leave(earlier.date, earlier.startsPhase)
      }
    }
    this.learnDay(visit, basis, looked)
  }

  private learnDay(visit: Visit, { conversion }: RecordBasis, looked: boolean) {
    const { computedAt: at, composition } = this
    if (!at || !composition) return
    const options = conversion ? { conversion } : {}
    const read = isCheckIn(visit)
      ? compositionOf(visit, at.equationId, at.ageYears, this.pairs, this.figures, options)
      : undefined
    const rows = read ?? massOf(visit, this.figures)
    if (rows) {
      const { massKg = 0 } = visit.subject
      composition.learn(
        { date: visit.date, rows, checkIn: read !== undefined },
        read?.raw ?? [massKg / 4, (3 * massKg) / 4],
        looked,
      )
    }
  }

  private learnSum(visit: Visit, { sumFolds }: RecordBasis, looked: boolean) {
    const read: VisitRows | undefined = isCheckIn(visit)
      ? sumOf(visit, sumFolds, this.pairs, this.figures)
      : undefined
    this.sum ??= this.sumTracker(sumFolds.length)
    if (read) this.sum.learn({ date: visit.date, rows: read, checkIn: true }, read.raw, looked)
  }

  private sumTracker(folds: number) {
    const form: RecordForm = {
      ...formOf(this.figures, this.pairs.length),
      moves: [scaledMoves(sumPerKgOfFat(folds))],
      noises: METHOD_NOISES,
      judged: { sum: [0] },
    }
    return new RecordTracker(form, {
      sum: { of: [1], matters: MATTERS.fold * folds, slopeShare: 0 },
    })
  }

  /** The record as it stands after its newest check-in. */
  look(): Look {
    const { date } = this.seen.at(-1)!
    const composition = this.composition?.isAt(date) ? this.composition : undefined
    const sum = this.sum?.isAt(date) ? this.sum : undefined
    const lead = composition ?? sum
    const horizons: Look['horizons'] = {}
    for (const horizon of ['last', 'phase', 'first'] as const) {
      const since = lead?.sinceOf(horizon)
      if (since === undefined) continue
      horizons[horizon] = {
        since,
        weeks: lead!.weeksOf(horizon),
        changes: { ...sum?.look(horizon), ...composition?.look(horizon) },
      }
    }
    return {
      date,
      horizons,
      massAtPhaseKg:
        composition &&
        composition.level(PARTS.fat, 'phase') + composition.level(PARTS.lean, 'phase'),
      offLine: lead?.offLine ?? [],
      readableFrom: (spacingDays, pace) =>
        composition
          ? composition.readableFrom(['fat', 'lean'], spacingDays, pace)
          : sum?.readableFrom(['sum'], spacingDays),
    }
  }

  /** After a look and before the next day: what was newest becomes the last time, and a phase may begin. */
  leave() {
    const { date, startsPhase } = this.seen.at(-1)!
    this.composition?.leave(date, startsPhase)
    this.sum?.leave(date, startsPhase)
  }
}

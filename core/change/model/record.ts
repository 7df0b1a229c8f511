import { isGirth } from '../../anatomy/ids'
import { sumPerKgOfFat } from '../../composition/fold-sum'
import type { Conversion } from '../../equations/types'
import { type IsoDate, daysBetween } from '../../units/dates'
import type { Horizon, Mark, RecordForm } from './ensemble'
import {
  FAT_MOVES,
  GIRTH_SHARE_PER_KG,
  LARGER_ERRORS,
  LARGER_SHARE,
  LEAN_MOVES,
  MATTERS,
  type ModelFigures,
  USUAL_FIGURES,
  scaledMoves,
} from './figures'
import { type LineAt, type OffLine, RecordTracker, type Retrospect } from './tracker'
import type { JudgedChange } from './verdict'
import {
  type CompositionRead,
  type FollowedLine,
  type LineQuantity,
  type Visit,
  dayRows,
  lineOf,
  readComposition,
} from './visit'

export type CompositionQuantity = 'fat' | 'lean' | 'mass'
export type RecordQuantity = CompositionQuantity | LineQuantity

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

/** About where fat and lean lie on a day, kg. */
export const levelsOf = ({ subject: { massKg = 0 } }: Visit, read?: CompositionRead) =>
  read ? [read.fatKg, read.leanKg] : [massKg / 4, (3 * massKg) / 4]

/** The model of fat and lean. */
export function compositionForm(figures: ModelFigures, pairs: number): RecordForm {
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
  /** What is followed in one number beside them: sums of folds and girths, the weightiest first. */
  lines: readonly FollowedLine[]
}

/** Whose bias the record can tell: the first one is the reference. */
export interface RecordPeople {
  /** Pairs of tester and caliper. */
  pairs: readonly string[]
  /** Testers, who read the girths; tapes are alike. */
  testers: readonly string[]
}

/** A horizon with what changed over it; what is not followed is not there. */
export interface JudgedHorizon {
  since: IsoDate
  weeks: number
  changes: Partial<Record<RecordQuantity, JudgedChange>>
}

/** A check-in on the way to the newest one: what is followed, as a change since a day. */
export interface CoursePoint {
  date: IsoDate
  line: Partial<Record<RecordQuantity, LineAt>>
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
  /** The way from a day to the newest check-in, as all of it together has it; empty without a retrospect. */
  course(from: Mark): CoursePoint[]
}

/** What each day has of several quantities, oldest first. */
function together(points: readonly CoursePoint[]): CoursePoint[] {
  const days = new Map<IsoDate, CoursePoint['line']>()
  for (const { date, line } of points) days.set(date, { ...days.get(date), ...line })
  return [...days].sort(([a], [b]) => daysBetween(b, a)).map(([date, line]) => ({ date, line }))
}

/** A day without folds and tape is body mass alone, and one by the client's own tape is none of the coach's. */
export const isCheckIn = ({ measured, bySelf }: Visit) => measured.length > 0 && !bySelf

/**
 * Follows one person's record: every day in turn, and at each check-in a look. What is computed by an equation is
 * computed at the age of the newest check-in, so that a birthday is no change.
 */
export class RecordModel {
  private readonly seen: Visit[] = []
  private composition: RecordTracker<CompositionQuantity> | undefined
  private computedAt: { equationId: string; ageYears: number | undefined } | undefined
  private readonly lines = new Map<LineQuantity, RecordTracker<'it'>>()

  /**
   * @param people everybody of the record, the first one first
   * @param retrospect where the way to the newest check-in is wanted too
   */
  constructor(
    private readonly people: RecordPeople,
    private readonly figures: ModelFigures = USUAL_FIGURES,
    private readonly retrospect?: Retrospect,
  ) {}

  /**
   * Learns a day.
   *
   * @param looked false where the record is not looked at on this day
   */
  learn(visit: Visit, basis: RecordBasis, looked = true) {
    this.learnComposition(visit, basis, looked)
    // Of body mass alone there is no line.
    for (const line of visit.measured.length ? basis.lines : [])
      if (!visit.bySelf || isGirth(line.quantity)) this.learnLine(visit, line, looked)
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
        compositionForm(this.figures, this.people.pairs.length),
        COMPOSITION(this.figures),
        this.retrospect,
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
    const read = isCheckIn(visit) ? readComposition(visit, { ...at, conversion }) : undefined
    const rows = dayRows(visit, read, this.people.pairs, this.figures)
    if (rows) {
      composition.learn(
        { date: visit.date, rows, checkIn: read !== undefined },
        levelsOf(visit, read),
        looked,
      )
    }
  }

  private learnLine(visit: Visit, line: FollowedLine, looked: boolean) {
    const { pairs, testers } = this.people
    const people = isGirth(line.quantity) ? testers : pairs
    const read = lineOf(visit, line, people, this.figures)
    if (!read) return
    const tracker = this.lines.get(line.quantity) ?? this.lineTracker(line, read.raw[0]!)
    this.lines.set(line.quantity, tracker)
    tracker.learn({ date: visit.date, rows: read, checkIn: isCheckIn(visit) }, read.raw, looked)
  }

  /** @param first what it read first: a large girth gains more than a small one */
  private lineTracker({ quantity, sites }: FollowedLine, first: number) {
    const { figures, people, retrospect } = this
    const girth = isGirth(quantity)
    const form: RecordForm = {
      ...formOf(figures, girth ? people.testers.length : people.pairs.length),
      ...(girth ? { biasSd: figures.girthBias } : {}),
      moves: [scaledMoves(girth ? GIRTH_SHARE_PER_KG * first : sumPerKgOfFat(sites.length))],
      noises: METHOD_NOISES,
      judged: { it: [0] },
    }
    const matters = girth ? MATTERS.girth : MATTERS.fold * sites.length
    return new RecordTracker(form, { it: { of: [1], matters, slopeShare: 0 } }, retrospect)
  }

  /** The record as it stands after its newest check-in. */
  look(): Look {
    const { date } = this.seen.at(-1)!
    const composition = this.composition?.isAt(date) ? this.composition : undefined
    const lines = [...this.lines].filter(([, line]) => line.isAt(date))
    const [lead] = [...(composition ? [composition] : []), ...lines.map(([, line]) => line)]
    const horizons: Look['horizons'] = {}
    for (const horizon of ['last', 'phase', 'first'] as const) {
      const since = lead?.sinceOf(horizon)
      if (since === undefined) continue
      const ofLines = lines.flatMap(([quantity, line]) => {
        const look = line.sinceOf(horizon) === since ? line.look(horizon) : undefined
        return look ? [[quantity, look.it]] : []
      })
      horizons[horizon] = {
        since,
        weeks: lead!.weeksOf(horizon),
        changes: { ...Object.fromEntries(ofLines), ...composition?.look(horizon) },
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
          : lines[0]?.[1].readableFrom(['it'], spacingDays),
      course: (from) =>
        together([
          ...(composition?.course(from) ?? []),
          ...lines.flatMap(([quantity, line]) =>
            line.course(from).map(({ date: on, line: { it } }) => ({
              date: on,
              line: { [quantity]: it },
            })),
          ),
        ]),
    }
  }

  /** After a look and before the next day: what was newest becomes the last time, and a phase may begin. */
  leave() {
    const { date, startsPhase } = this.seen.at(-1)!
    this.composition?.leave(date, startsPhase)
    for (const line of this.lines.values()) line.leave(date, startsPhase)
  }
}

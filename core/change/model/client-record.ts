import { mean } from 'simple-statistics'
import type { SiteId } from '../../anatomy/ids'
import type { Person } from '../../composition/check-in'
import { followedFolds } from '../../composition/fold-sum'
import { settledVariance } from '../../measurement-error/site-error'
import { schemeOf } from '../../readings/trials'
import { type IsoDate, addDays, daysBetween, daysFrom } from '../../units/dates'
import type { WeighIn } from '../../weigh-ins/parse'
import { type WeekMass, weeklyAverages } from '../../weigh-ins/weeks'
import { type Measured, type ReadCheckIn, readCheckIn, setupAt } from '../measured'
import { basisOf } from '../series'
import { type ModelFigures, USUAL_FIGURES } from './figures'
import { type Look, RecordModel } from './record'
import type { Visit } from './visit'

/** All that a client's record is judged by. */
export interface ClientRecordParts {
  person: Person
  /** Closed check-ins, oldest first; the newest is the one that is looked at. */
  checkIns: readonly Measured[]
  weighIns?: readonly WeighIn[]
  /** The client's own last day of a week; see `weeklyAverages`. */
  weekEndsOn?: number | null
  /** False where the client sees sums and girths only: the sum of folds is followed, and no fat and lean. */
  fatAndLean?: boolean
  /** Days on which a plan began or something happened that the coach marked. */
  phaseStarts?: readonly IsoDate[]
}

const WEEK = 7

/**
 * Looks at a client's record as it stands after its newest check-in: every check-in before it, and each week of weigh-ins
 * that no check-in's own mass is made of. All is computed by the newest check-in's equation, at the age of that day. A
 * check-in counts for the tester and the caliper that it names, also where somebody else read a site of it.
 *
 * @returns undefined where there is no check-in
 */
export function lookAtRecord(
  parts: ClientRecordParts,
  figures: ModelFigures = USUAL_FIGURES,
): Look | undefined {
  const { person, checkIns, weighIns = [], weekEndsOn, fatAndLean = true, phaseStarts = [] } = parts
  const newest = checkIns.at(-1)
  if (!newest) return undefined
  const read = checkIns.map((checkIn) => readCheckIn(person, checkIn))
  const { ageYears } = read.at(-1)!.sheet.subject
  const {
    sumFolds = [],
    equationId,
    conversion,
  } = basisOf(person, newest, followedFolds(read.map(({ sheet }) => sheet)))
  const basis = { sumFolds, conversion, equationId: fatAndLean ? equationId : undefined }
  const begins = new Set(phaseStarts.map((start) => nearestOf(checkIns, start)))
  const ofCheckIns = read.map((one) => visitOf(one, ageYears, begins))
  const visits = [...weeksBetween(checkIns, weighIns, weekEndsOn, person), ...ofCheckIns].sort(
    (a, b) => daysBetween(b.date, a.date),
  )
  const model = new RecordModel([...new Set(ofCheckIns.map(({ pair }) => pair))], figures)
  for (const visit of visits) {
    const last = visit === ofCheckIns.at(-1)
    model.learn(visit, basis, last)
    if (last) break
    model.leave()
  }
  return model.look()
}

/** The check-in that a phase begins at: the nearest to its day, and of two as near the earlier one. */
function nearestOf(checkIns: readonly Measured[], start: IsoDate): IsoDate {
  const away = ({ measuredOn }: Measured) => Math.abs(daysBetween(measuredOn, start))
  return checkIns.reduce((nearest, one) => (away(one) < away(nearest) ? one : nearest)).measuredOn
}

/** Each site's variance by the hand that read it. */
const varianceOf =
  ({ measured, sheet }: ReadCheckIn) =>
  (site: SiteId) =>
    settledVariance(
      site,
      sheet.sites[site]!,
      schemeOf(sheet.protocol, site),
      setupAt(measured, site).setup,
    )

function visitOf(
  read: ReadCheckIn,
  ageYears: number | undefined,
  begins: ReadonlySet<IsoDate>,
): Visit {
  const { measured, sheet, massDays } = read
  return {
    date: measured.measuredOn,
    subject: { ...sheet.subject, ageYears },
    ...{ massDays, measured: sheet.measured, variance: varianceOf(read) },
    pair: `${measured.testerId ?? ''} ${measured.caliperId ?? ''}`,
    startsPhase: begins.has(measured.measuredOn),
  }
}

/** Weeks of weigh-ins besides the days that the check-ins' own masses are means of, each dated by its middle. */
function weeksBetween(
  checkIns: readonly Measured[],
  weighIns: readonly WeighIn[],
  weekEndsOn: number | null | undefined,
  { sex }: Person,
): Visit[] {
  const taken = new Set(
    checkIns.flatMap(({ measuredOn }) => daysFrom(addDays(measuredOn, 1 - WEEK), WEEK)),
  )
  const rest = weighIns.filter(({ date }) => !taken.has(date))
  return weeklyAverages(rest, weekEndsOn).map((week) => ({
    date: middleOf(week),
    subject: { sex, massKg: week.kg },
    ...{ massDays: week.days, measured: [], pair: '' },
    variance: () => 0,
  }))
}

/** The middle of the days of a week that were weighed. */
function middleOf({ from, missing }: WeekMass): IsoDate {
  const weighed = daysFrom(from, WEEK).flatMap((date, day) => (missing.includes(date) ? [] : day))
  return addDays(from, Math.round(mean(weighed)))
}

import { mean } from 'simple-statistics'
import { type GirthId, type SiteId, WAISTS, isGirth } from '../../anatomy/ids'
import type { LocatedValue, Location } from '../../anatomy/landmark-standards'
import type { Person, Sheet } from '../../composition/check-in'
import { followedFolds } from '../../composition/fold-sum'
import { equationById, variantFor } from '../../equations/registry'
import { settledVariance } from '../../measurement-error/site-error'
import { schemeOf } from '../../readings/trials'
import { type IsoDate, addDays, daysBetween, daysFrom } from '../../units/dates'
import type { WeighIn } from '../../weigh-ins/parse'
import { type WeekMass, weeklyAverages } from '../../weigh-ins/weeks'
import { type Measured, type ReadCheckIn, readCheckIn, setupAt } from '../measured'
import { basisOf } from '../series'
import { type GymFigures, figuresWith } from './figures'
import { type Look, type RecordBasis, RecordModel, type RecordPeople } from './record'
import type { Retrospect } from './tracker'
import type { FollowedLine, Visit } from './visit'

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
  /** What the gym's own records tell of its errors, where they are enough; see `refit`. */
  gymFigures?: GymFigures | null
}

/** Days on which a plan in force began, or the coach marked a new phase. */
export function phaseStartsOf({
  planInForce,
  notes,
}: {
  planInForce: { startedOn: IsoDate } | null
  notes: readonly { kind: string; date: IsoDate }[]
}) {
  return {
    plan: planInForce ? [planInForce.startedOn] : [],
    mark: notes.filter(({ kind }) => kind === 'phase').map(({ date }) => date),
  }
}

export interface LookOptions {
  /** Where the way to the newest check-in is wanted too. */
  retrospect?: Retrospect
}

const WEEK = 7

/** A client's record as the model takes it. */
export interface RecordDays {
  /** Check-ins and weeks of weigh-ins in order. */
  visits: readonly Visit[]
  /** Those that are check-ins. */
  checkIns: readonly Visit[]
  people: RecordPeople
  basis: RecordBasis
}

/**
 * Every check-in of a record, and each week of weigh-ins that no check-in's own mass is made of. A check-in counts for the
 * tester and the caliper that it names, also where somebody else read a site of it.
 *
 * @returns undefined where there is no check-in
 */
export function recordDays(parts: ClientRecordParts): RecordDays | undefined {
  const { person, checkIns, weighIns = [], weekEndsOn, fatAndLean = true, phaseStarts = [] } = parts
  const newest = checkIns.at(-1)
  if (!newest) return undefined
  const read = checkIns.map((checkIn) => readCheckIn(person, checkIn))
  const { ageYears } = read.at(-1)!.sheet.subject
  const sheets = read.map(({ sheet }) => sheet)
  const { equationId, conversion } = basisOf(person, newest)
  const followed = fatAndLean ? equationId : undefined
  const begins = new Set(phaseStarts.map((start) => nearestOf(checkIns, start)))
  const ofCheckIns = read.map((one) => visitOf(one, ageYears, begins))
  const visits = [...weeksBetween(checkIns, weighIns, weekEndsOn, person), ...ofCheckIns].sort(
    (a, b) => daysBetween(b.date, a.date),
  )
  return {
    ...{ visits, checkIns: ofCheckIns },
    people: {
      pairs: [...new Set(ofCheckIns.map(({ pair }) => pair))],
      testers: [...new Set(ofCheckIns.map(({ tester }) => tester))],
    },
    basis: { conversion, equationId: followed, lines: linesOf(person, sheets, followed) },
  }
}

/**
 * Looks at a client's record as it stands after its newest check-in. All is computed by the newest check-in's equation, at
 * the age of that day.
 *
 * @returns undefined where there is no check-in, or nothing of the newest one is followed
 */
export function lookAtRecord(
  parts: ClientRecordParts,
  { retrospect }: LookOptions = {},
): Look | undefined {
  const record = recordDays(parts)
  if (!record) return undefined
  const { visits, checkIns, people, basis } = record
  const model = new RecordModel(people, figuresWith(parts.gymFigures), retrospect)
  for (const visit of visits) {
    const last = visit === checkIns.at(-1)
    model.learn(visit, basis, last)
    if (last) break
    model.leave()
  }
  const look = model.look()
  return Object.keys(look.horizons).length ? look : undefined
}

/**
 * What is followed in one number: the sum of the folds that all check-ins share, the equation's own where that is
 * another one, and every girth of the newest check-in, the waist first.
 */
function linesOf(
  { sex }: Person,
  sheets: readonly Sheet[],
  equationId: string | undefined,
): FollowedLine[] {
  const newest = sheets.at(-1)!
  const sumFolds = followedFolds(sheets)?.folds ?? []
  const placeOf = ({ site, standard, technique }: LocatedValue) => ({ site, standard, technique })
  const taken = newest.measured.map(placeOf)
  const wanted = equationId === undefined ? [] : variantFor(equationById(equationId), sex).folds
  const ofEquation = taken.filter(({ site }) => wanted.some((fold) => fold === site))
  const another =
    wanted.length > 1 && ofEquation.length === wanted.length && wanted.length !== sumFolds.length
  const girths = taken.filter(({ site }) => isGirth(site))
  const isWaist = ({ site }: Location) => WAISTS.some((waist) => waist === site)
  return [
    ...(sumFolds.length ? [{ quantity: 'sum' as const, sites: sumFolds }] : []),
    ...(another ? [{ quantity: 'equationSum' as const, sites: ofEquation }] : []),
    ...[...girths.filter(isWaist), ...girths.filter((girth) => !isWaist(girth))].map((girth) => ({
      ...{ quantity: girth.site as GirthId, sites: [girth] },
    })),
  ]
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
    tester: measured.testerId ?? '',
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
    ...{ massDays: week.days, measured: [], pair: '', tester: '' },
    variance: () => 0,
  }))
}

/** The middle of the days of a week that were weighed. */
function middleOf({ from, missing }: WeekMass): IsoDate {
  const weighed = daysFrom(from, WEEK).flatMap((date, day) => (missing.includes(date) ? [] : day))
  return addDays(from, Math.round(mean(weighed)))
}

import { mean } from 'simple-statistics'
import { type SiteId, WAISTS, isGirth, isSkinfold } from '../../anatomy/ids'
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
import { type SelfGirth, selfMeasured } from '../self-measured'
import { basisOf } from '../series'
import { type GymFigures, figuresWith } from './figures'
import { type Look, type RecordBasis, RecordModel, type RecordPeople } from './record'
import type { Retrospect } from './tracker'
import { type FollowedLine, type Visit, compositionRows, lineOf, readComposition } from './visit'

/** All that a client's record is judged by. */
export interface ClientRecordParts {
  person: Person
  /** Closed check-ins, oldest first; the newest is the one that is looked at. */
  checkIns: readonly Measured[]
  weighIns?: readonly WeighIn[]
  /** What the client took of themselves, as `selfMeasured` gives it: learnt as another tester's, and not looked at. */
  bySelf?: readonly Measured[]
  /** The client's own last day of a week; see `weeklyAverages`. */
  weekEndsOn?: number | null
  /** False where the client sees sums and girths only: the sum of folds is followed, and no fat and lean. */
  fatAndLean?: boolean
  /** True where every fold of the newest check-in is followed by itself too. */
  everySite?: boolean
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

/** A client's record as it is kept, as far as it is judged by. */
export interface KeptRecord {
  client: Person & { showPercentages: boolean; weekEndsOn: number | null }
  weighIns: readonly WeighIn[]
  selfGirths: readonly SelfGirth[]
  gymFigures: GymFigures | null
  planInForce: { startedOn: IsoDate } | null
  notes: readonly { kind: string; date: IsoDate }[]
}

/**
 * What a kept record is judged by.
 *
 * @param checkIns closed ones, oldest first; the newest is the one that is looked at
 */
export function partsOfRecord(
  record: KeptRecord,
  checkIns: readonly Measured[],
): ClientRecordParts {
  const { client: person, weighIns, gymFigures } = record
  return {
    ...{ person, checkIns, weighIns, gymFigures, weekEndsOn: person.weekEndsOn },
    bySelf: selfMeasured(record.selfGirths),
    fatAndLean: person.showPercentages,
    phaseStarts: Object.values(phaseStartsOf(record)).flat(),
  }
}

export interface LookOptions {
  /** Where the way to the newest check-in is wanted too. */
  retrospect?: Retrospect
  /**
   * True where people are held against one another by the equation's own number: how far its slope may be off in each is
   * left out.
   */
  byEquation?: boolean
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
  const { everySite = false } = parts
  const newest = checkIns.at(-1)
  if (!newest) return undefined
  const read = checkIns.map((checkIn) => readCheckIn(person, checkIn))
  const { ageYears } = read.at(-1)!.sheet.subject
  const sheets = read.map(({ sheet }) => sheet)
  const { equationId, conversion } = basisOf(person, newest)
  const followed = fatAndLean ? equationId : undefined
  const begins = new Set(phaseStarts.map((start) => nearestOf(checkIns, start)))
  const ofCheckIns = read.map((one) => visitOf(one, ageYears, begins))
  const ofSelf = (parts.bySelf ?? []).map((one) => ({
    ...visitOf(readCheckIn(person, one), ageYears, new Set()),
    bySelf: true,
  }))
  const visits = [
    ...weeksBetween(checkIns, weighIns, weekEndsOn, person),
    ...ofSelf,
    ...ofCheckIns,
  ].sort((a, b) => daysBetween(b.date, a.date))
  return {
    ...{ visits, checkIns: ofCheckIns },
    people: {
      pairs: [...new Set(ofCheckIns.map(({ pair }) => pair))],
      // The coach's are the reference; what the client takes has a bias of its own.
      testers: [...new Set([...ofCheckIns, ...ofSelf].map(({ tester }) => tester))],
    },
    basis: {
      conversion,
      equationId: followed,
      lines: linesOf(person, sheets, followed, everySite),
    },
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
  { retrospect, byEquation = false }: LookOptions = {},
): Look | undefined {
  const record = recordDays(parts)
  if (!record) return undefined
  const { visits, checkIns, people, basis } = record
  const figures = figuresWith(parts.gymFigures)
  const used = byEquation ? { ...figures, equationSlope: 0 } : figures
  const model = new RecordModel(people, used, retrospect)
  for (const visit of visits) {
    const last = visit === checkIns.at(-1)
    model.learn(visit, basis, last)
    if (last) break
    model.leave()
  }
  const look = model.look()
  return Object.keys(look.horizons).length ? look : undefined
}

/** Standard errors of one check-in: of fat mass, kg, and of the sum of folds, mm; what was not taken is left out. */
export interface CheckInErrors {
  fatKg?: number
  sumMm?: number
  /** Folds of the sum. */
  folds: number
}

/** How far the newest check-in may be off by itself: its hand, its day and its scale. */
export function errorsOfNewest(parts: ClientRecordParts): CheckInErrors {
  const record = recordDays(parts)
  const newest = record?.checkIns.at(-1)
  if (!record || !newest) return { folds: 0 }
  const { people, basis } = record
  const figures = figuresWith(parts.gymFigures)
  const { equationId, conversion } = basis
  const read =
    equationId === undefined
      ? undefined
      : readComposition(newest, { equationId, conversion, ageYears: newest.subject.ageYears })
  const line = basis.lines.find(({ quantity }) => quantity === 'sum')
  const sum = line && lineOf(newest, line, people.pairs, figures)
  const [mass, method] = read ? compositionRows(newest, read, people.pairs, figures).rows : []
  return {
    folds: line?.sites.length ?? 0,
    ...(mass && method
      ? { fatKg: Math.sqrt(method.variance + read!.share ** 2 * mass.variance) }
      : {}),
    ...(sum ? { sumMm: Math.sqrt(sum.rows[0]!.variance) } : {}),
  }
}

/**
 * What is followed in one number: the sum of the folds that all check-ins share, the equation's own where that is
 * another one, and every girth of the newest check-in, the waist first; every fold too where it is asked for.
 */
function linesOf(
  { sex }: Person,
  sheets: readonly Sheet[],
  equationId: string | undefined,
  everySite: boolean,
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
  // Bones of grown people stay as they are. A fold that was taken in two ways is followed in the first.
  const folds = taken.filter(
    ({ site }, i) => isSkinfold(site) && taken.findIndex((one) => one.site === site) === i,
  )
  const isWaist = ({ site }: Location) => WAISTS.some((waist) => waist === site)
  return [
    ...(sumFolds.length ? [{ quantity: 'sum' as const, sites: sumFolds }] : []),
    ...(another ? [{ quantity: 'equationSum' as const, sites: ofEquation }] : []),
    ...[
      ...girths.filter(isWaist),
      ...girths.filter((girth) => !isWaist(girth)),
      ...(everySite ? folds : []),
    ].map((place) => ({ quantity: place.site, sites: [place] })),
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

/**
 * The record of what a client took of themselves, for a look at it alone: girths, and no fat and lean, of which a tape in
 * an own hand says too little.
 */
export const recordBySelf = (record: KeptRecord): ClientRecordParts => ({
  ...partsOfRecord(record, selfMeasured(record.selfGirths)),
  ...{ bySelf: [], fatAndLean: false },
})

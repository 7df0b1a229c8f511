import { type SiteId, isGirth } from '../../anatomy/ids'
import { type LocatedValue, type Location, isSamePlace } from '../../anatomy/landmark-standards'
import { gradientsOf } from '../../composition/error-bands'
import { servedValues } from '../../composition/every'
import { sumPerKgOfFat } from '../../composition/fold-sum'
import { equationById } from '../../equations/registry'
import type { Conversion, Subject } from '../../equations/types'
import { attempt } from '../../outcome'
import type { IsoDate } from '../../units/dates'
import { GIRTH_SHARE_PER_KG, type ModelFigures } from './figures'
import type { ObservedRow } from './filter'

/** One day of a record: a check-in, or body mass alone. */
export interface Visit {
  date: IsoDate
  /** With the body mass of the day, kg. */
  subject: Subject
  /** Days that the mass is the mean of. */
  massDays: number
  measured: readonly LocatedValue[]
  /** Variance of a site's value by the hand that took it, mm² or cm². */
  variance(site: SiteId): number
  /** Who read the folds with what: another text is another pair. */
  pair: string
  /** Who read the girths: tapes are alike. */
  tester: string
  /** A phase begins on this day. */
  startsPhase?: boolean
  /** The client took it of themselves: it is learnt, and nothing is looked at on it. */
  bySelf?: boolean
}

/** Numbers of one day for one form of the model. */
export interface VisitRows {
  rows: ObservedRow[]
  /** What the day read by itself, part by part; what a raw difference is made of. */
  raw: readonly number[]
}

const PERCENT = 100
/** Where the mass is not known, kg: only for how many mm a point of fat is. */
const SOME_MASS_KG = 75

/** Fat and lean mass of a day by an equation, with what their errors are made of. */
export interface CompositionRead {
  fatKg: number
  leanKg: number
  /** What a kilogram of body mass adds to the fat mass while the folds stay. */
  share: number
  /** Variance by the technical errors of the folds, kg². */
  technical: number
  /** What the fat mass gains where all folds are larger by their own size, kg. */
  perFold: number
}

/** What fat and lean are computed by. */
export interface ComputedBy {
  equationId: string
  conversion?: Conversion
  /** Of the newest check-in: a birthday is no change. */
  ageYears: number | undefined
}

/** What an equation reads off a day; undefined where it does not read it. */
export function readComposition(
  visit: Visit,
  { equationId, conversion, ageYears }: ComputedBy,
): CompositionRead | undefined {
  if (visit.subject.massKg === undefined) return undefined
  const options = conversion ? { conversion } : {}
  const values = servedValues(equationById(equationId), visit.measured)
  const found = attempt(() =>
    gradientsOf(equationId, { subject: { ...visit.subject, ageYears }, values }, options),
  )
  if (!found.ok) return undefined
  const { fatMass, leanMass } = found.value
  if (!Number.isFinite(fatMass.value)) return undefined
  let [technical, perFold] = [0, 0]
  for (const site of Object.keys(fatMass.sites) as SiteId[]) {
    const slope = fatMass.sites[site]!
    technical += slope ** 2 * visit.variance(site)
    perFold += slope * values[site]!
  }
  return {
    ...{ fatKg: fatMass.value, leanKg: leanMass.value, share: fatMass.mass },
    ...{ technical, perFold },
  }
}

/** Fat and lean mass of a day in two numbers whose errors are independent. */
export function compositionRows(
  visit: Visit,
  { fatKg, leanKg, share, technical, perFold }: CompositionRead,
  pairs: readonly string[],
  figures: ModelFigures,
): VisitRows {
  const massKg = visit.subject.massKg!
  // Fat and lean err together by the mass and apart by the folds. Fat less its share of the mass errs by the folds alone.
  return {
    raw: [fatKg, leanKg],
    rows: [
      massRow(visit, figures),
      {
        levels: [1 - share, -share],
        drift: massKg / PERCENT,
        pair: Math.max(0, pairs.indexOf(visit.pair)),
        perBias: perFold,
        value: fatKg - share * massKg,
        kind: 'method',
        variance: figures.technical ** 2 * technical + (figures.session * perFold) ** 2,
      },
    ],
  }
}

/** The body mass of a day, as fat and lean together. */
function massRow({ subject, massDays }: Visit, { massKg }: ModelFigures): ObservedRow {
  return {
    ...{ levels: [1, 1], drift: 0, pair: 0, perBias: 0, value: subject.massKg! },
    kind: 'scale',
    variance: massKg ** 2 / Math.max(1, massDays),
  }
}

/** A day for the model of fat and lean: both where an equation read it, else body mass alone; undefined without. */
export function dayRows(
  visit: Visit,
  read: CompositionRead | undefined,
  pairs: readonly string[],
  figures: ModelFigures,
): VisitRows | undefined {
  if (read) return compositionRows(visit, read, pairs, figures)
  return visit.subject.massKg === undefined
    ? undefined
    : { rows: [massRow(visit, figures)], raw: [] }
}

/** What is followed in one number: a sum of folds, a girth, or one fold. */
export type LineQuantity = 'sum' | 'equationSum' | SiteId

/** A number that is followed by itself, and the sites that it is of. */
export interface FollowedLine {
  quantity: LineQuantity
  sites: readonly Location[]
}

/** Such a number on one day; undefined where one of its sites was not taken. */
export function lineOf(
  visit: Visit,
  { quantity, sites }: FollowedLine,
  people: readonly string[],
  figures: ModelFigures,
): VisitRows | undefined {
  const values = sites.flatMap((site) => visit.measured.find((m) => isSamePlace(m, site)) ?? [])
  if (sites.length === 0 || values.length < sites.length) return undefined
  const total = values.reduce((sum, { value }) => sum + value, 0)
  const technical = values.reduce((sum, { site }) => sum + visit.variance(site), 0)
  const girth = isGirth(quantity)
  const perKg = girth ? GIRTH_SHARE_PER_KG * total : sumPerKgOfFat(sites.length)
  const session = girth ? figures.girthSession : figures.sumSession
  const factor = girth ? 1 : figures.technical
  return {
    raw: [total],
    rows: [
      {
        levels: [1],
        drift: ((visit.subject.massKg ?? SOME_MASS_KG) / PERCENT) * perKg,
        pair: Math.max(0, people.indexOf(girth ? visit.tester : visit.pair)),
        perBias: total,
        value: total,
        kind: 'method',
        variance: factor ** 2 * technical + (session * total) ** 2,
      },
    ],
  }
}

import { Z95 } from '../measurement-error/site-error'
import { type IsoDate, daysBetween } from '../units/dates'

/*
 * Fat by another method than the folds: a scan, air or water displacement, electrical resistance, ultrasound. Each method
 * reads each person high or low by an amount of its own, always the same, and each day by another. Two things follow: the
 * level of the folds can be put right for this person, and changes of two methods can be set side by side.
 */

export const OTHER_METHODS = ['dxa', 'air', 'water', 'bia', 'ultrasound'] as const
export type OtherMethod = (typeof OTHER_METHODS)[number]
/** What any of them may say of a body, percent. Judgement, no source. */
export const OTHER_FAT = { least: 1, most: 75 } as const

/** How far a method is off, in points of fat percent, as standard deviations. */
interface MethodError {
  /** Of a person, always the same. */
  person: number
  /** Of a day. */
  day: number
}

/**
 * Errors of the methods against several compartments measured at once. From memory, in round figures, no single source:
 * published standard errors of estimate are 1.5 to 2 points for scans and displacement and 3 to 4 for resistance, and
 * repeated measurements lie within 1 point for the former and 1 to 2 for the latter.
 */
export const METHOD_ERRORS: Record<OtherMethod, MethodError> = {
  dxa: { person: 1.5, day: 0.7 },
  air: { person: 1.8, day: 0.9 },
  water: { person: 1.8, day: 0.8 },
  bia: { person: 3.2, day: 1.6 },
  ultrasound: { person: 2.5, day: 1.2 },
}

/** One result of another method. */
export interface OtherResult {
  method: OtherMethod
  on: IsoDate
  fatPercent: number
}

/** Fat percent by the plain equation at a check-in. */
export interface PlainLevel {
  on: IsoDate
  fatPercent: number
  /** Of the measuring alone, points. */
  measuringSd: number
}

/** A check-in so many days from a result says what the folds were on its day. Judgement, no source. */
const NEAR_DAYS = 42
/** How far fat percent goes in a week by itself, points, as a random walk. Judgement, no source. */
const WALK_A_WEEK = 0.25

/** The level of the folds put right for one person. */
export interface AnchoredLevel {
  /** What the equation reads too much on this person, points; less than nothing where it reads too little. */
  readsHighBy: number
  readsHighBySd: number
  /** Fat percent at the newest check-in, put right. */
  fatPercent: number
  /** Standard error of that, points. */
  standardError: number
  /** Standard error of the plain equation, points. */
  plainStandardError: number
  /** The results that it stands on, oldest first. */
  by: OtherResult[]
}

const walkVariance = (days: number) => WALK_A_WEEK ** 2 * (days / 7)

/**
 * Puts the level of the folds right by other methods. The equation reads this person high or low by an amount of its own,
 * before any other method known to lie about nothing by its standard error of estimate. Each result of another method says
 * what that amount is, up to its own two errors, the measuring of the folds, and what may have changed in the days between.
 * Results of one method share the method's error of this person, so that many of one say no more than that allows.
 *
 * @param levels check-ins by one equation, in any order
 * @param standardErrorOfEstimate of the equation, points
 * @returns undefined where no result is near enough to a check-in
 */
export function anchoredLevel(
  levels: readonly PlainLevel[],
  standardErrorOfEstimate: number,
  results: readonly OtherResult[],
): AnchoredLevel | undefined {
  const newest = [...levels].sort((a, b) => (a.on < b.on ? -1 : 1)).at(-1)
  if (!newest) return undefined
  const pairs = results.flatMap((result) => {
    const near = nearest(levels, result.on)
    return near && near.days <= NEAR_DAYS ? [{ result, ...near }] : []
  })
  if (pairs.length === 0) return undefined
  let precision = 1 / standardErrorOfEstimate ** 2
  let weighted = 0
  for (const method of OTHER_METHODS) {
    const mine = pairs.filter(({ result }) => result.method === method)
    if (mine.length === 0) continue
    const { person, day } = METHOD_ERRORS[method]
    // Each pair's own error; several weigh by how sure each is.
    const each = mine.map(({ result, level, days }) => ({
      off: level.fatPercent - result.fatPercent,
      weight: 1 / (day ** 2 + level.measuringSd ** 2 + walkVariance(days)),
    }))
    const total = each.reduce((sum, { weight }) => sum + weight, 0)
    const off = each.reduce((sum, one) => sum + one.weight * one.off, 0) / total
    const of = 1 / (person ** 2 + 1 / total)
    precision += of
    weighted += of * off
  }
  const readsHighBy = weighted / precision
  const variance = 1 / precision
  return {
    readsHighBy,
    readsHighBySd: Math.sqrt(variance),
    fatPercent: newest.fatPercent - readsHighBy,
    standardError: Math.sqrt(variance + newest.measuringSd ** 2),
    plainStandardError: Math.hypot(standardErrorOfEstimate, newest.measuringSd),
    by: pairs.map(({ result }) => result).sort((a, b) => (a.on < b.on ? -1 : 1)),
  }
}

function nearest(levels: readonly PlainLevel[], on: IsoDate) {
  const [first] = levels
    .map((level) => ({ level, days: Math.abs(daysBetween(level.on, on)) }))
    .sort((a, b) => a.days - b.days)
  return first
}

/** What a method says changed. */
export interface MethodChange {
  method: OtherMethod
  from: IsoDate
  to: IsoDate
  /** Points of fat percent. */
  change: number
  /** Nineteen times in twenty it is off by less. */
  reach: number
  /** Whether it is more than the method's days leave open. */
  clear: boolean
}

/** The change that each method saw between its first and its newest result: its error of the person is in both. */
export function methodChanges(results: readonly OtherResult[]): MethodChange[] {
  return OTHER_METHODS.flatMap((method) => {
    const mine = results
      .filter((result) => result.method === method)
      .sort((a, b) => (a.on < b.on ? -1 : 1))
    const [first, last] = [mine[0], mine.at(-1)]
    if (!first || !last || first.on === last.on) return []
    const change = last.fatPercent - first.fatPercent
    const reach = Z95 * Math.SQRT2 * METHOD_ERRORS[method].day
    return [{ method, from: first.on, to: last.on, change, reach, clear: Math.abs(change) > reach }]
  })
}

/**
 * What the folds say changed over the days of another method's change: between the check-ins nearest to them.
 *
 * @returns undefined where both days have the same check-in near, or one has none
 */
export function foldsChange(
  levels: readonly PlainLevel[],
  { from, to }: { from: IsoDate; to: IsoDate },
): { change: number; reach: number } | undefined {
  const [first, last] = [nearest(levels, from), nearest(levels, to)]
  if (!first || !last || first.level.on === last.level.on) return undefined
  if (Math.max(first.days, last.days) > NEAR_DAYS) return undefined
  return {
    change: last.level.fatPercent - first.level.fatPercent,
    reach: Z95 * Math.hypot(first.level.measuringSd, last.level.measuringSd),
  }
}

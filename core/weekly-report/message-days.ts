import { addDays, daysBetween, isIsoDate, type IsoDate, weekdayOf } from '../units/dates'
import type { DaySaid } from './message-tokens'

const WEEK = 7
/** A list that goes back in time day by day is read so, where the other way it would need more than a week. */
const LEAST_FOR_BACKWARDS = 3

/** The latest day of that weekday that is not after another. */
const latestOf = (weekday: number, bound: IsoDate): IsoDate =>
  addDays(bound, -((weekdayOf(bound) - weekday + WEEK) % WEEK))

/** The latest day of that number in its month that is not after another; a month without it is passed over. */
function latestNumbered(ofMonth: number, bound: IsoDate): IsoDate {
  for (let back = 0; back < 92; back++) {
    const day = addDays(bound, -back)
    if (Number(day.slice(8)) === ofMonth) return day
  }
  return bound
}

/** A date with its year, or the latest such day that is not after another; undefined where there is none such. */
function datedOn(date: string, bound: IsoDate): IsoDate | undefined {
  if (!date.startsWith('0000')) return isIsoDate(date) ? date : undefined
  const year = Number(bound.slice(0, 4))
  // February 29 is up to eight years back.
  return Array.from({ length: 9 }, (_, i) => `${year - i}${date.slice(4)}`).find(
    (day) => isIsoDate(day) && day <= bound,
  )
}

/** A day that does not depend on those beside it; undefined for a weekday. */
function fixedDay(said: DaySaid, today: IsoDate): IsoDate | undefined {
  if ('back' in said) return addDays(today, -said.back)
  if ('date' in said) return datedOn(said.date, today)
  return 'ofMonth' in said && said.ofMonth !== undefined
    ? latestNumbered(said.ofMonth, today)
    : undefined
}

/** A day as it was said, and the day that it was said on. */
export interface SaidOn {
  said: DaySaid
  on: IsoDate
}

const sameWeekday = (a: SaidOn, b: SaidOn) =>
  'weekday' in a.said && 'weekday' in b.said && a.said.weekday === b.said.weekday

/** Days in the order typed, each weekday the latest that fits before the one that follows it. */
function countedBack(days: readonly SaidOn[]): (IsoDate | undefined)[] {
  const found: (IsoDate | undefined)[] = []
  let next: IsoDate | undefined
  for (let i = days.length - 1; i >= 0; i--) {
    const { said, on } = days[i]!
    const fixed = fixedDay(said, on)
    if (fixed !== undefined || !('weekday' in said)) {
      found.unshift(fixed)
      next = fixed ?? next
      continue
    }
    const following = days[i + 1]
    // The same weekday twice running is one day with two numbers.
    const same = following !== undefined && sameWeekday(days[i]!, following)
    const before = next === undefined || same ? next : addDays(next, -1)
    const bound = before !== undefined && before < on ? before : on
    next = latestOf(said.weekday, bound)
    found.unshift(next)
  }
  return found
}

function spanOf(days: readonly (IsoDate | undefined)[]): number {
  const known = days.filter((day) => day !== undefined).sort()
  return known.length ? daysBetween(known[0]!, known.at(-1)!) : 0
}

/**
 * The days of a message in the order typed. Weekdays count back from the newest day that fits: the last one is the latest
 * such day, each before it the latest before the one that follows. Three or more that go backwards in time within a
 * week ("Sun, Sat, Fri") are read so.
 *
 * @returns undefined for a date that does not exist
 */
export function resolvedDays(days: readonly SaidOn[]): (IsoDate | undefined)[] {
  const forwards = countedBack(days)
  if (days.length < LEAST_FOR_BACKWARDS || spanOf(forwards) <= WEEK) return forwards
  const backwards = countedBack([...days].reverse()).reverse()
  return spanOf(backwards) < WEEK ? backwards : forwards
}

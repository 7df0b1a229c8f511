import { say } from '../say'
import {
  addDays as add,
  addMonths as laterByMonths,
  differenceInCalendarDays,
  differenceInMonths,
  differenceInYears,
  isValid,
  lightFormat,
  parseISO,
} from 'date-fns'
import { inputError } from '../errors'

/** A calendar date as ISO 8601 text: 2026-03-14. No time, no zone. */
export type IsoDate = string

const shape = /^\d{4}-\d{2}-\d{2}$/

/** True for a date that exists, written as YYYY-MM-DD. */
export function isIsoDate(text: string): boolean {
  return shape.test(text) && isValid(parseISO(text))
}

function read(date: IsoDate): Date {
  const read = shape.test(date) ? parseISO(date) : undefined
  if (!read || !isValid(read)) {
    throw inputError('date', 'impossible', say('units.date'), date, say('units.dateThatExists'))
  }
  return read
}

/**
 * Age in completed years, as textbooks and hand calculation have it.
 *
 * @throws InputError naming `date` when either is not a date
 */
export function ageOn(birthDate: IsoDate, on: IsoDate): number {
  return differenceInYears(read(on), read(birthDate))
}

/** Age in completed months. @throws InputError naming `date` when either is not a date */
export function monthsOn(birthDate: IsoDate, on: IsoDate): number {
  return differenceInMonths(read(on), read(birthDate))
}

/** Whole days from one date to another; negative when the second is earlier. */
export function daysBetween(from: IsoDate, to: IsoDate): number {
  return differenceInCalendarDays(read(to), read(from))
}

/** The date so many days later. */
export function addDays(date: IsoDate, days: number): IsoDate {
  return lightFormat(add(read(date), days), 'yyyy-MM-dd')
}

/** A day and those that follow it, so many in all. */
export function daysFrom(date: IsoDate, count: number): IsoDate[] {
  const first = read(date)
  return Array.from({ length: count }, (_, i) => lightFormat(add(first, i), 'yyyy-MM-dd'))
}

/** The calendar date of an instant in the zone of this machine. */
export function isoDateOf(instant: Date): IsoDate {
  return lightFormat(instant, 'yyyy-MM-dd')
}

// The library's own month names come with every word of its locale, which is more than the rest of the core's dates.
const MONTHS = 'Jan Feb Mar Apr May Jun Jul Aug Sep Oct Nov Dec'.split(' ')

/** A date for people, as the shipped language writes it: Mar 14, with the year on request. */
export function formatDate(date: IsoDate, withYear = false): string {
  const day = read(date)
  const short = `${MONTHS[day.getMonth()]} ${day.getDate()}`
  return withYear ? `${short}, ${day.getFullYear()}` : short
}

/** 0 for Monday to 6 for Sunday. */
export function weekdayOf(date: IsoDate): number {
  return (read(date).getDay() + 6) % 7
}

/** So many months later, on the same day of the month where it exists, else on its last. */
export function addMonths(date: IsoDate, months: number): IsoDate {
  return lightFormat(laterByMonths(read(date), months), 'yyyy-MM-dd')
}

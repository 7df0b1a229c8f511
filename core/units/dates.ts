import {
  addDays as add,
  differenceInCalendarDays,
  differenceInYears,
  isValid,
  parseISO,
} from 'date-fns'
import { format } from 'date-fns/format'
import { inputError } from '../errors'

/** A calendar date as ISO 8601 text: 2026-03-14. No time, no zone. */
export type IsoDate = string

const shape = /^\d{4}-\d{2}-\d{2}$/

/** True for a date that exists, written as YYYY-MM-DD. */
export function isIsoDate(text: string): boolean {
  return shape.test(text) && isValid(parseISO(text))
}

function read(date: IsoDate): Date {
  if (!isIsoDate(date)) {
    throw inputError('date', 'impossible', 'Date', date, 'a date that exists, as 2026-03-14')
  }
  return parseISO(date)
}

/**
 * Age in completed years, as textbooks and hand calculation have it.
 *
 * @throws InputError naming `date` when either is not a date
 */
export function ageOn(birthDate: IsoDate, on: IsoDate): number {
  return differenceInYears(read(on), read(birthDate))
}

/** Whole days from one date to another; negative when the second is earlier. */
export function daysBetween(from: IsoDate, to: IsoDate): number {
  return differenceInCalendarDays(read(to), read(from))
}

/** The date so many days later. */
export function addDays(date: IsoDate, days: number): IsoDate {
  return format(add(read(date), days), 'yyyy-MM-dd')
}

/** The calendar date of an instant in the zone of this machine. */
export function isoDateOf(instant: Date): IsoDate {
  return format(instant, 'yyyy-MM-dd')
}

/** A date for people: 14 Mar, with the year on request. */
export function formatDate(date: IsoDate, withYear = false): string {
  return format(read(date), withYear ? 'd MMM yyyy' : 'd MMM')
}

import {
  daysFrom,
  fixed as plainFixed,
  formatAsTyped as plainAsTyped,
  formatFold as plainFold,
  formatLength as plainLength,
  formatMass as plainMass,
  lengthText as plainLengthText,
  signed as plainSigned,
  signedLength as plainSignedLength,
  type IsoDate,
} from '#core'
import { language } from './say'

/*
 * Dates and numbers as the language of the page writes them. They have the names of the core's, which write numbers
 * with a point and are for machines and files.
 */

/** Something that is made of a language, once for each: what Intl makes is dear to make and cheap to use. */
function perLanguage<T>(make: (name: string) => T): () => T {
  const made = new Map<string, T>()
  return () => {
    const name = language()
    if (!made.has(name)) made.set(name, make(name))
    return made.get(name)!
  }
}
/** A way to write a day, which has no zone. */
const dayAs = (options: Intl.DateTimeFormatOptions) =>
  perLanguage((name) => new Intl.DateTimeFormat(name, { ...options, timeZone: 'UTC' }))
const dayOf = (date: IsoDate) => new Date(`${date}T00:00:00Z`)

const SHORT = dayAs({ month: 'short', day: 'numeric' })
const WITH_YEAR = dayAs({ month: 'short', day: 'numeric', year: 'numeric' })
const LONG = dayAs({ weekday: 'long', month: 'long', day: 'numeric' })
const MONTH = dayAs({ month: 'long', year: 'numeric' })
const WEEKDAY = dayAs({ weekday: 'short' })
const TIME = perLanguage(
  (name) => new Intl.DateTimeFormat(name, { hour: 'numeric', minute: '2-digit' }),
)
const INSTANT = perLanguage(
  (name) => new Intl.DateTimeFormat(name, { dateStyle: 'medium', timeStyle: 'short' }),
)
const WHOLE = perLanguage((name) => new Intl.NumberFormat(name, { maximumFractionDigits: 0 }))
/** What stands before the tenths. */
const POINT = perLanguage(
  (name) =>
    new Intl.NumberFormat(name).formatToParts(0.5).find(({ type }) => type === 'decimal')?.value ??
    '.',
)

/** A date for people: Mar 14, with the year on request. */
export const formatDate = (date: IsoDate, withYear = false): string =>
  (withYear ? WITH_YEAR : SHORT)().format(dayOf(date))

/** A date in full: Saturday, March 14. */
export const longDate = (date: IsoDate): string => LONG().format(dayOf(date))

/** A month with its year: March 2026. */
export const monthText = (date: IsoDate): string => MONTH().format(dayOf(date))

/** The short name of a date's weekday: Sat. */
export const weekdayText = (date: IsoDate): string => WEEKDAY().format(dayOf(date))

const A_MONDAY = '2026-01-05'
/** The short names of the days of a week, from Monday on. */
export const weekdayNames = (): string[] => daysFrom(A_MONDAY, 7).map(weekdayText)

/** The time of day of an instant, in the zone of this device. */
export const timeText = (instant: string): string => TIME().format(new Date(instant))

/** Day and time of an instant, in the zone of this device: Mar 14, 2026, 9:05 AM. */
export const instantText = (instant: string): string => INSTANT().format(new Date(instant))

/** A whole number with its thousands marked: 1,932. */
export const whole = (value: number): string => WHOLE().format(value)

/** The core's texts of numbers, with the language's own point. */
function localized<A extends unknown[]>(plain: (...args: A) => string) {
  return (...args: A): string => {
    const text = plain(...args)
    const point = POINT()
    return point === '.' ? text : text.replace(/(\d)\.(\d)/g, `$1${point}$2`)
  }
}
export const fixed = localized(plainFixed)
export const signed = localized(plainSigned)
export const formatFold = localized(plainFold)
export const formatMass = localized(plainMass)
export const formatLength = localized(plainLength)
export const lengthText = localized(plainLengthText)
export const signedLength = localized(plainSignedLength)
export const formatAsTyped = localized(plainAsTyped)

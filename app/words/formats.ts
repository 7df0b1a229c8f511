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
import { dayAs, dayText, perLanguage, pointed } from '#shared/words/formats'
import { language } from './say'

/*
 * Dates and numbers as the language of the page writes them. They have the names of the core's, which write numbers
 * with a point and are for machines and files.
 */

const LONG = dayAs({ weekday: 'long', month: 'long', day: 'numeric' })
const MONTH = dayAs({ month: 'long', year: 'numeric' })
const WEEKDAY = dayAs({ weekday: 'short' })
const HOUR = perLanguage(
  (name) => new Intl.DateTimeFormat(name, { hour: 'numeric', minute: '2-digit', timeZone: 'UTC' }),
)
const TIME = perLanguage(
  (name) => new Intl.DateTimeFormat(name, { hour: 'numeric', minute: '2-digit' }),
)
const INSTANT = perLanguage(
  (name) => new Intl.DateTimeFormat(name, { dateStyle: 'medium', timeStyle: 'short' }),
)
const WHOLE = perLanguage((name) => new Intl.NumberFormat(name, { maximumFractionDigits: 0 }))

/** A date for people: Mar 14, with the year on request. */
export const formatDate = (date: IsoDate, withYear = false): string =>
  dayText(language(), date, withYear)

/** A date in full: Saturday, March 14. */
export const longDate = (date: IsoDate): string => LONG(language(), date)

/** A month with its year: March 2026. */
export const monthText = (date: IsoDate): string => MONTH(language(), date)

/** The short name of a date's weekday: Sat. */
export const weekdayText = (date: IsoDate): string => WEEKDAY(language(), date)

const A_MONDAY = '2026-01-05'
/** The short names of the days of a week, from Monday on. */
export const weekdayNames = (): string[] => daysFrom(A_MONDAY, 7).map(weekdayText)

/** A full hour of the day, 0 to 23. */
export const hourText = (hour: number): string =>
  HOUR(language()).format(new Date(Date.UTC(2026, 0, 1, hour)))

/** The time of day of an instant, in the zone of this device. */
export const timeText = (instant: string): string => TIME(language()).format(new Date(instant))

/** Day and time of an instant, in the zone of this device: Mar 14, 2026, 9:05 AM. */
export const instantText = (instant: string): string =>
  INSTANT(language()).format(new Date(instant))

/** A whole number with its thousands marked: 1,932. */
export const whole = (value: number): string => WHOLE(language()).format(value)

/** How many, for a message that has a form for one: which form, and how the number is written. */
export const counted = (count: number) => ({ count, shown: whole(count) })

/** The core's texts of numbers, with the language's own point. */
const localized =
  <A extends unknown[]>(plain: (...args: A) => string) =>
  (...args: A): string =>
    pointed(language(), plain(...args))
export const fixed = localized(plainFixed)
export const signed = localized(plainSigned)
export const formatFold = localized(plainFold)
export const formatMass = localized(plainMass)
export const formatLength = localized(plainLength)
export const lengthText = localized(plainLengthText)
export const signedLength = localized(plainSignedLength)
export const formatAsTyped = localized(plainAsTyped)

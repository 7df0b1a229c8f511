import {
  addDays,
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

const makers = new Map<string, Intl.DateTimeFormat>()
function maker(options: Intl.DateTimeFormatOptions): Intl.DateTimeFormat {
  const name = `${language()} ${JSON.stringify(options)}`
  const made =
    makers.get(name) ?? new Intl.DateTimeFormat(language(), { ...options, timeZone: 'UTC' })
  makers.set(name, made)
  return made
}
const dayOf = (date: IsoDate) => new Date(`${date}T00:00:00Z`)

/** A date for people: Mar 14, with the year on request. */
export const formatDate = (date: IsoDate, withYear = false): string =>
  maker({ month: 'short', day: 'numeric', ...(withYear ? { year: 'numeric' } : {}) }).format(
    dayOf(date),
  )

/** A date in full: Saturday, March 14. */
export const longDate = (date: IsoDate): string =>
  maker({ weekday: 'long', month: 'long', day: 'numeric' }).format(dayOf(date))

/** A month with its year: March 2026. */
export const monthText = (date: IsoDate): string =>
  maker({ month: 'long', year: 'numeric' }).format(dayOf(date))

/** The short name of a date's weekday: Sat. */
export const weekdayText = (date: IsoDate): string =>
  maker({ weekday: 'short' }).format(dayOf(date))

const A_MONDAY = '2026-01-05'
/** The short names of the days of a week, from Monday on. */
export const weekdayNames = (): string[] =>
  Array.from({ length: 7 }, (_, i) => weekdayText(addDays(A_MONDAY, i)))

/** The time of day of an instant, in the zone of this device. */
export const timeText = (instant: string): string =>
  new Intl.DateTimeFormat(language(), { hour: 'numeric', minute: '2-digit' }).format(
    new Date(instant),
  )

/** A whole number with its thousands marked: 1,932. */
export const whole = (value: number): string =>
  new Intl.NumberFormat(language(), { maximumFractionDigits: 0 }).format(value)

const points = new Map<string, string>()
/** What stands before the tenths. */
function point(): string {
  const known = points.get(language())
  if (known !== undefined) return known
  const parts = new Intl.NumberFormat(language()).formatToParts(0.5)
  const found = parts.find(({ type }) => type === 'decimal')?.value ?? '.'
  points.set(language(), found)
  return found
}
const local = (text: string) =>
  point() === '.' ? text : text.replace(/(\d)\.(\d)/g, `$1${point()}$2`)

/** The core's texts of numbers, with the language's own point. */
function localized<A extends unknown[]>(plain: (...args: A) => string) {
  return (...args: A): string => local(plain(...args))
}
export const fixed = localized(plainFixed)
export const signed = localized(plainSigned)
export const formatFold = localized(plainFold)
export const formatMass = localized(plainMass)
export const formatLength = localized(plainLength)
export const lengthText = localized(plainLengthText)
export const signedLength = localized(plainSignedLength)
export const formatAsTyped = localized(plainAsTyped)

/** Day and time of an instant, in the zone of this device: Mar 14, 2026, 9:05 AM. */
export const instantText = (instant: string): string =>
  new Intl.DateTimeFormat(language(), { dateStyle: 'medium', timeStyle: 'short' }).format(
    new Date(instant),
  )

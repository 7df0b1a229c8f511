import type { IsoDate } from '../../core/index'

/* Dates and numbers as a language writes them. */

/** Something made of a language and a few settings, once for each: what Intl makes is dear to make and cheap to use. */
export function perLanguage<A extends (string | number | boolean)[], T>(
  make: (language: string, ...of: A) => T,
) {
  const made = new Map<string, T>()
  return (language: string, ...of: A): T => {
    const name = `${language} ${of.join(' ')}`
    if (!made.has(name)) made.set(name, make(language, ...of))
    return made.get(name)!
  }
}

/** A way to write a day, which has no zone. */
export function dayAs(options: Intl.DateTimeFormatOptions) {
  const format = perLanguage(
    (name) => new Intl.DateTimeFormat(name, { ...options, timeZone: 'UTC' }),
  )
  return (language: string, date: IsoDate) => format(language).format(new Date(`${date}T00:00:00Z`))
}

const SHORT = dayAs({ month: 'short', day: 'numeric' })
const WITH_YEAR = dayAs({ month: 'short', day: 'numeric', year: 'numeric' })

/** A date for people: Mar 14, with the year on request. */
export const dayText = (language: string, date: IsoDate, withYear: boolean): string =>
  (withYear ? WITH_YEAR : SHORT)(language, date)

/** What stands before the tenths. */
const POINT = perLanguage(
  (name) =>
    new Intl.NumberFormat(name).formatToParts(0.5).find(({ type }) => type === 'decimal')?.value ??
    '.',
)

/** Figures that have a point before their tenths, with the language's own. */
export function pointed(language: string, figures: string): string {
  const point = POINT(language)
  return point === '.' ? figures : figures.replace(/(\d)\.(\d)/g, `$1${point}$2`)
}

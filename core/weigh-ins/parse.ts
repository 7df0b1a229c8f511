import { median, mean } from 'simple-statistics'
import { InputError, inputError } from '../errors'
import { addDays, daysBetween, weekdayOf, type IsoDate } from '../units/dates'
import { readDate, type DateOrder } from '../units/typed-date'
import { parseMass, type MassUnit, type Typed } from '../units/parse'
import { theilSen, type Trend } from '../change/trend'

/** One body mass of one day. */
export interface WeighIn {
  date: IsoDate
  kg: number
}

/** One pasted or typed mass with its day. */
export interface TypedWeighIn extends WeighIn {
  typed: Typed
}

const ACCEPTED =
  'one mass a day as 62.4 or 137.5 lb, with a day before it (2026-03-14, 14.3., 14 Mar or Mon) or without any; a dash for a day without'

const STARTS_WITH_DAY =
  /^(?:\d{4}-\d{1,2}-\d|\d{1,2}\.\d{1,2}\.[\s:\d]|\d{1,2}\/\d|\d{1,2} [a-z]{3}|[a-z]{2})/i

const DASH = /^[-–—x.]$/i

/** Splits what was pasted into one text a day. Lines come first; one line alone is split at its blanks and signs. */
function piecesOf(text: string): string[] {
  const lines = text
    .split(/\r?\n/)
    .map((line) => line.trim())
    .filter((line) => line !== '')
  if (lines.length !== 1) return lines
  // Days beside one another: "Mon 62.4 Tue 62.1".
  const days = lines[0]!.split(/[\s,;]+(?=(?:mon|tue|wed|thu|fri|sat|sun)[a-z]*\b|\d{4}-\d)/i)
  if (days.length > 1 || STARTS_WITH_DAY.test(lines[0]!)) return days
  // "62,4, 62,1" and "62.4; 62.1" and "62.4 62.1": a comma between two figures without a blank is decimal.
  return lines[0]!
    .split(/;|\t|,(?=\s)|(?<!\b(?:st|stone|stones))\s+(?=[\d–—-])/i)
    .map((piece) => piece.trim())
    .filter((piece) => piece !== '')
}

/** The day in front of a mass, and what is left; undefined where the text starts with no day. */
function dayIn(
  piece: string,
  last: IsoDate,
  order: DateOrder,
): { date: IsoDate; rest: string } | undefined {
  const match =
    /^(\d{4}-\d{1,2}-\d{1,2}|\d{1,2}\.\d{1,2}\.(?:\d{4}|\d{2})?|\d{1,2}\/\d{1,2}(?:\/(?:\d{4}|\d{2}))?|\d{1,2} [a-z]{3,9}\.?(?: \d{4})?|[a-z]{3,9}\.? \d{1,2}(?:,? \d{4})?|[a-z]{2,9})[\s:,;=]+(.*)$/i.exec(
      piece,
    )
  if (!match) return undefined
  const date = readDate(match[1]!, last, order)
  return date === undefined ? undefined : { date, rest: match[2]!.trim() }
}

/**
 * The pieces with their days. Where day and month are figures between strokes, 3/4 is read as the order that understands
 * more of the pieces, and of two that do alike, the one whose days lie closer together; else the day comes first.
 */
function datedPieces(pieces: readonly string[], last: IsoDate) {
  const readings = (['day', 'month'] as const).map((order) => {
    const dated = pieces.map((piece) => ({ piece, day: dayIn(piece, last, order) }))
    const days = dated.flatMap(({ day }) => day?.date ?? []).sort()
    return { dated, days, span: days.length ? daysBetween(days[0]!, days.at(-1)!) : 0 }
  })
  const [dayFirst, monthFirst] = readings as [(typeof readings)[0], (typeof readings)[0]]
  const more = monthFirst.days.length - dayFirst.days.length
  const better = more > 0 || (more === 0 && monthFirst.span < dayFirst.span)
  return (better ? monthFirst : dayFirst).dated
}

/**
 * Reads weigh-ins typed or pasted in any common form: one a line with or without its day, or several on one line.
 * Without days the last one is of the day given and the others are of the days before it; a dash stands for a day
 * without.
 *
 * @param last the day of the last one, and the latest that a day can be
 * @param unit of a bare number
 * @returns by day, oldest first
 * @throws InputError naming `weighIns`, with the text that was not understood
 */
export function parseWeighIns(text: string, last: IsoDate, unit: MassUnit): TypedWeighIn[] {
  const pieces = piecesOf(text)
  const refuse = (got: string, why: 'not-a-number' | 'ambiguous' | 'impossible' | 'missing') =>
    inputError('weighIns', why, 'Weigh-ins', got, ACCEPTED)
  if (pieces.length === 0) throw refuse('', 'missing')
  const dated = datedPieces(pieces, last)
  const withDay = dated.filter(({ day }) => day).length
  if (withDay > 0 && withDay < pieces.length) {
    throw refuse(dated.find(({ day }) => !day)!.piece, 'ambiguous')
  }
  const read = dated.flatMap(({ piece, day }, i): TypedWeighIn[] => {
    const date = day?.date ?? addDays(last, i - (pieces.length - 1))
    const rest = day?.rest ?? piece
    if (DASH.test(rest)) return []
    try {
      const typed = parseMass(rest, unit)
      return [{ date, kg: typed.value, typed }]
    } catch (error) {
      if (!(error instanceof InputError)) throw error
      throw refuse(piece, error.problem === 'impossible' ? 'impossible' : 'not-a-number')
    }
  })
  const seen = new Set<IsoDate>()
  for (const { date, typed } of read) {
    if (date > last) throw refuse(date, 'impossible')
    if (seen.has(date)) throw refuse(`${date} twice (${typed.text})`, 'ambiguous')
    seen.add(date)
  }
  return read.sort((a, b) => (a.date < b.date ? -1 : 1))
}

const WEEK = 7

/** The average of seven days, and the days that it stands on. */
export interface WeekMass {
  from: IsoDate
  to: IsoDate
  kg: number
  days: number
  missing: IsoDate[]
}

function averageOf(weighIns: readonly WeighIn[], from: IsoDate): WeekMass | undefined {
  const days = Array.from({ length: WEEK }, (_, i) => addDays(from, i))
  const by = new Map(weighIns.map(({ date, kg }) => [date, kg]))
  const taken = days.flatMap((day) => by.get(day) ?? [])
  if (taken.length === 0) return undefined
  return {
    from,
    to: days.at(-1)!,
    kg: mean(taken),
    days: taken.length,
    missing: days.filter((day) => !by.has(day)),
  }
}

/** The average of each week from Monday to Sunday that has a weigh-in, oldest first. */
export function weeklyAverages(weighIns: readonly WeighIn[]): WeekMass[] {
  const mondays = new Set(weighIns.map(({ date }) => addDays(date, -weekdayOf(date))))
  return [...mondays].sort().flatMap((monday) => averageOf(weighIns, monday) ?? [])
}

/**
 * The mass of the seven days that end on a day.
 *
 * @param own a mass of that day itself that is not among the weigh-ins, kg
 * @returns undefined where there is none
 */
export function massOfWeek(
  weighIns: readonly WeighIn[],
  on: IsoDate,
  own?: number,
): WeekMass | undefined {
  const there = weighIns.some(({ date }) => date === on)
  const all = own !== undefined && !there ? [...weighIns, { date: on, kg: own }] : weighIns
  return averageOf(all, addDays(on, 1 - WEEK))
}

/** A day that stands out, with how far it is from the trend. */
export interface OddDay extends WeighIn {
  /** Mass less the trend of that day, kg. */
  off: number
}

/** Median absolute deviations from the trend beyond which a day is pointed out. */
const ODD_BEYOND = 3.5
/** Days on either side that a day's own trend is drawn through. */
const TREND_DAYS = 21
/** Of a scale that shows tenths, kg: nobody is odd by less. */
const LEAST_DEVIATION = 0.1

const pointsOf = (weighIns: readonly WeighIn[], from: IsoDate) =>
  weighIns.map(({ date, kg }) => ({ x: daysBetween(from, date), y: kg }))

/**
 * Days that are more than 3.5 median absolute deviations from the trend of the three weeks on either side. They are
 * pointed out and never dropped.
 */
export function oddDays(weighIns: readonly WeighIn[]): OddDay[] {
  const [first] = weighIns
  if (!first) return []
  const points = pointsOf(weighIns, first.date)
  return weighIns.flatMap((weighIn, i): OddDay[] => {
    const { x, y } = points[i]!
    const near = points.filter((p) => Math.abs(p.x - x) <= TREND_DAYS)
    const trend = near.length >= 5 ? theilSen(near) : undefined
    if (!trend) return []
    const residual = (p: { x: number; y: number }) => p.y - trend.intercept - trend.slope * p.x
    const deviation = median(near.map((p) => Math.abs(residual(p))))
    const off = y - trend.intercept - trend.slope * x
    const odd = Math.abs(off) > ODD_BEYOND * Math.max(deviation, LEAST_DEVIATION)
    return odd ? [{ ...weighIn, off }] : []
  })
}

/** The trend of body mass in kg a week, by Theil and Sen. */
export function massTrend(weighIns: readonly WeighIn[]): Trend | undefined {
  const [first] = weighIns
  if (!first) return undefined
  return theilSen(pointsOf(weighIns, first.date).map(({ x, y }) => ({ x: x / WEEK, y })))
}

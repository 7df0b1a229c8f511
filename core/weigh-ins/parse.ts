import { say, type Words, dayValue } from '../say'
import { InputError, inputError } from '../errors'
import { type IsoDate, addDays, daysBetween } from '../units/dates'
import { type MassUnit, type Typed, parseMass } from '../units/parse'
import { type DateOrder, readDate } from '../units/typed-date'

/** One body mass of one day. */
export interface WeighIn {
  date: IsoDate
  kg: number
}

/** One pasted or typed mass with its day. */
export interface TypedWeighIn extends WeighIn {
  typed: Typed
}

const ACCEPTED = say('schedule.oneMassDay624')

const STARTS_WITH_DAY =
  /^(?:\d{4}-\d{1,2}-\d|\d{1,2}\.\d{1,2}\.[\s:\d]|\d{1,2}\/\d|\d{1,2} [a-z]{3}|[a-z]{2})/i

const DASH = /^[-–—x.]$/i

/**
 * One sign in place of each run of blanks, commas and semicolons, in one pass: what splits a text at such runs looks at
 * each of them from every place in it, and would take seconds for twenty thousand blanks.
 */
function oneSignARun(text: string): string {
  return text.replace(/[\s,;]+/g, (run) => {
    if (/[;\t]/.test(run)) return ';'
    if (!run.includes(',')) return ' '
    return run === ',' ? ',' : ', '
  })
}

/** Splits what was pasted into one text a day. Lines come first; one line alone is split at its blanks and signs. */
function piecesOf(text: string): string[] {
  const lines = text
    .split(/\r?\n/)
    .map((line) => line.trim())
    .filter((line) => line !== '')
  if (lines.length !== 1) return lines
  const line = oneSignARun(lines[0]!)
  // Days beside one another: "Mon 62.4 Tue 62.1".
  const days = line.split(/[\s,;]+(?=(?:mon|tue|wed|thu|fri|sat|sun)[a-z]*\b|\d{4}-\d)/i)
  if (days.length > 1 || STARTS_WITH_DAY.test(line)) return days
  // "62,4, 62,1" and "62.4; 62.1" and "62.4 62.1": a comma between two figures without a blank is decimal.
  return line
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
  const refuse = (got: Words, why: 'not-a-number' | 'ambiguous' | 'impossible' | 'missing') =>
    inputError('weighIns', why, say('schedule.weighIns'), got, ACCEPTED)
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
    if (seen.has(date))
      throw refuse(
        say('schedule.twice', { date: dayValue(date, true), typed: typed.text }),
        'ambiguous',
      )
    seen.add(date)
  }
  return read.sort((a, b) => (a.date < b.date ? -1 : 1))
}

import { type IsoDate, isIsoDate } from '../../units/dates'
import { type DateOrder, readDate } from '../../units/typed-date'
import { type Cell, textOf } from './cells'

/** Days of cells: how a column of them writes day and month, and which day each is. */

const FIGURES = /^(\d{1,4})[./-](\d{1,2})[./-](\d{1,4})(?:[T ,].*)?$/
const MONTH = '(?:jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)[a-z]*'
const WORDS = new RegExp(
  String.raw`^(?:[a-z]{3,9},? )?(?:\d{1,2}(?:st|nd|rd|th)?[ -]${MONTH}\.?,?[ -]\d{2,4}|${MONTH}\.? \d{1,2}(?:st|nd|rd|th)?,? \d{2,4})$`,
  'i',
)
/** Days that a spreadsheet counts from the end of 1899: 1954 to 2064. */
const SERIAL = { from: 20_000, to: 60_000 }
const MS_A_DAY = 86_400_000

/** The day of a spreadsheet's serial number, of the count from 1900 that all of them share today. */
function dayOfSerial(serial: number): IsoDate {
  return new Date(Date.UTC(1899, 11, 30) + Math.floor(serial) * MS_A_DAY).toISOString().slice(0, 10)
}

/** Whether a cell looks like a day on its own: a heading of a log sheet. */
export function looksLikeDay(cell: Cell | undefined): boolean {
  if (cell === null || cell === undefined) return false
  if (typeof cell === 'object') return true
  if (typeof cell === 'number')
    return Number.isInteger(cell) && cell > SERIAL.from && cell < SERIAL.to
  const text = textOf(cell)
  return FIGURES.test(text) || WORDS.test(text)
}

/** Day and month of three figures whose order is open; undefined where the year comes first, or it is none. */
function open(cell: Cell): [first: number, second: number] | undefined {
  if (typeof cell !== 'string') return undefined
  const match = FIGURES.exec(textOf(cell))
  if (!match || match[1]!.length > 2) return undefined
  return [Number(match[1]), Number(match[2])]
}

/** In which order a column writes day and month, and whether it says so itself. */
export interface ColumnOrder {
  order: DateOrder
  /** Both orders are possible for every day, and do not come to the same. */
  isOpen: boolean
}

const MOST_MONTH = 12

/**
 * Settles the order of day and month of a column by all of it: a figure above twelve is no month, and no day lies after
 * today. Where both hold, the order in which the days follow one another is the likelier one, else what is usual.
 *
 * @param usual where the column does not tell
 */
export function orderOf(cells: readonly Cell[], today: IsoDate, usual: DateOrder): ColumnOrder {
  const pairs = cells.flatMap((cell) => {
    const pair = open(cell)
    return pair ? [pair] : []
  })
  // Points are written between day and month in the countries that put the day first.
  const points = cells.some(
    (cell) => typeof cell === 'string' && /^\d{1,2}\.\d{1,2}\.\d/.test(cell),
  )
  const possible = (['day', 'month'] as const).map((order) => {
    const at = order === 'day' ? 1 : 0
    const months = pairs.filter((pair) => pair[at]! <= MOST_MONTH).length
    const days = cells.flatMap((cell) => dayOf(cell, today, order) ?? [])
    return { order, months, early: days.filter((day) => day <= today).length, days }
  })
  const [day, month] = possible as [(typeof possible)[0], (typeof possible)[0]]
  if (day.months !== month.months)
    return { order: day.months > month.months ? 'day' : 'month', isOpen: false }
  if (points) return { order: 'day', isOpen: false }
  if (day.early !== month.early)
    return { order: day.early > month.early ? 'day' : 'month', isOpen: false }
  const isOpen = pairs.some(([a, b]) => a !== b)
  if (!isOpen) return { order: usual, isOpen }
  const falls = ({ days }: (typeof possible)[0]) =>
    days.filter((one, i) => i > 0 && one < days[i - 1]!).length
  const [fallsOfDay, fallsOfMonth] = [falls(day), falls(month)]
  if (fallsOfDay === fallsOfMonth) return { order: usual, isOpen }
  return { order: fallsOfDay < fallsOfMonth ? 'day' : 'month', isOpen }
}

const known = new Map<string, IsoDate | undefined>()
const MOST_KNOWN = 20_000

/**
 * The day of a cell.
 *
 * @param today the century of a year of two figures is the one before it
 * @returns undefined where it is none
 */
export function dayOf(
  cell: Cell | undefined,
  today: IsoDate,
  order: DateOrder,
): IsoDate | undefined {
  if (cell === null || cell === undefined) return undefined
  if (typeof cell === 'object') return cell.day
  if (typeof cell === 'number')
    return cell > SERIAL.from && cell < SERIAL.to ? dayOfSerial(cell) : undefined
  const key = `${order} ${today} ${cell}`
  if (known.has(key)) return known.get(key)
  if (known.size > MOST_KNOWN) known.clear()
  const day = dayOfText(textOf(cell), today, order)
  known.set(key, day)
  return day
}

function dayOfText(text: string, today: IsoDate, order: DateOrder): IsoDate | undefined {
  if (/^\d{5}(?:[.,]\d+)?$/.test(text)) return dayOf(Number(text.replace(',', '.')), today, order)
  const match = FIGURES.exec(text)
  if (match) {
    const [, first, second, third] = match as unknown as [string, string, string, string]
    if (first.length === 4) return isoDay(Number(first), Number(second), Number(third))
    if (third.length === 3 || first.length === 3) return undefined
    const [day, month] = order === 'day' ? [first, second] : [second, first]
    return isoDay(yearOf(third, today), Number(month), Number(day))
  }
  if (!WORDS.test(text)) return undefined
  const plain = text
    .replace(/^[a-z]{3,9},? (?=\d|[a-z]{3,9}\.? \d)/i, (word) => (isMonth(word) ? word : ''))
    .replace(/(\d)(?:st|nd|rd|th)\b/i, '$1')
    .replace(/-/g, ' ')
    .replace(/\./g, '')
    .replace(/[a-z]{4,}/i, (name) => name.slice(0, 3))
    .replace(/ (\d\d)$/, (_, short: string) => ` ${yearOf(short, today)}`)
  return readDate(plain.replace(',', ''), today, order)
}

const isMonth = (word: string) => new RegExp(`^${MONTH}`, 'i').test(word)

/** A year of two figures is the last such one that is not after this. */
function yearOf(text: string, today: IsoDate): number {
  const year = Number(text)
  if (text.length !== 2) return year
  const now = Number(today.slice(0, 4))
  const century = now - (now % 100)
  return century + year > now ? century + year - 100 : century + year
}

const two = (figure: number) => String(figure).padStart(2, '0')

function isoDay(year: number, month: number, day: number): IsoDate | undefined {
  const text = `${String(year).padStart(4, '0')}-${two(month)}-${two(day)}`
  return year >= 1900 && isIsoDate(text) ? text : undefined
}

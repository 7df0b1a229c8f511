import { say, type Words } from '../say'
import { InputError, inputError } from '../errors'
import { type IsoDate, isIsoDate } from '../units/dates'
import { typedNumber } from '../units/typed-number'

/** One row of a file with its columns by name. */
export interface RowReader {
  text(column: string): string
  /** @throws InputError for what is no number */
  number(column: string): number | undefined
}

/** A number as spreadsheets write it; undefined for an empty cell. */
export function numberOf(column: string, text: string): number | undefined {
  if (text === '') return undefined
  // A plain decimal is read directly; anything else by the parser of typed numbers.
  const plain = Number(text)
  const value = Number.isFinite(plain) ? plain : typedNumber(text)
  if (value === undefined) {
    throw inputError(column, 'not-a-number', column, text, say('files.numberDecimalPointComma'))
  }
  return value
}

/** Reads the rows of a header. */
export function rowReader(header: readonly string[]): (cells: readonly string[]) => RowReader {
  const places = new Map(header.map((name, i) => [name, i]))
  return (cells) => {
    const text = (column: string) => cells[places.get(column) ?? -1]?.trim() ?? ''
    return { text, number: (column) => numberOf(column, text(column)) }
  }
}

/** A day of a row; undefined for an empty cell. */
export function dateIn(row: RowReader, column: string): IsoDate | undefined {
  const text = row.text(column)
  if (text !== '' && !isIsoDate(text)) {
    throw inputError(column, 'impossible', column, text, say('files.dateExists20260314'))
  }
  return text || undefined
}

/** Refuses a value outside of what can be. */
export function within(column: string, value: number | undefined, low: number, high: number) {
  if (value !== undefined && !(value >= low && value <= high)) {
    throw inputError(column, 'impossible', column, value, say('files.to', { low, high }))
  }
  return value
}

/** One of some words; the empty one only where it is among them. */
export function chosen<T extends string>(row: RowReader, column: string, from: readonly T[]): T {
  const text = row.text(column)
  const found = from.find((choice) => choice === text)
  if (found === undefined) {
    const choices = from.filter((choice) => choice !== '').join(', ')
    throw inputError(
      column,
      text ? 'unknown' : 'missing',
      column,
      text,
      from.some((choice) => choice === '') ? say('files.orEmpty', { choices }) : choices,
    )
  }
  return found
}

/** @throws InputError where a column is missing that every row needs */
export function needColumns(header: readonly string[], needed: readonly string[]): void {
  for (const column of needed) {
    if (!header.includes(column)) {
      throw inputError(
        column,
        'missing',
        say('files.column', { column }),
        '',
        say('files.headerRowNames'),
      )
    }
  }
}

/** A row that was refused, with its number in the file and the words of why. */
export interface RefusedRow {
  /** The header is row 1. */
  row: number
  column: string
  words: Words
}

/** Runs the reading of a row; a refusal is kept with its row and column, and any other error is a fault. */
function readOrRefuse<T>(row: number, refused: RefusedRow[], read: () => T): T | undefined {
  try {
    return read()
  } catch (error) {
    if (!(error instanceof InputError)) throw error
    refused.push({ row, column: error.input, words: error.said })
    return undefined
  }
}

/** Every row after the header that is not empty, by its number in the file; what one refuses is kept. */
export function readEach<T>(
  rows: readonly (readonly string[])[],
  refused: RefusedRow[],
  read: (row: RowReader, at: number) => T,
): T[] {
  const [header = [], ...rest] = rows
  const reader = rowReader(header)
  return rest.flatMap((cells, i) => {
    if (cells.every((cell) => cell.trim() === '')) return []
    const at = i + 2
    return readOrRefuse(at, refused, () => [read(reader(cells), at)]) ?? []
  })
}

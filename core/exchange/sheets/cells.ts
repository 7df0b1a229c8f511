import type { IsoDate } from '../../units/dates'
import { typedNumber } from '../../units/typed-number'

/*
 * Sheets as people keep them: what a file holds, cell by cell, before anything of it is understood.
 */

/** A day of a cell that a spreadsheet keeps as one. */
export interface DayCell {
  day: IsoDate
}

/** What a cell holds: text as it was written, a number, a day, or nothing. */
export type Cell = string | number | DayCell | null

export interface FileSheet {
  /** Of a workbook's sheet; empty where the file has one table and no names. */
  name: string
  rows: readonly (readonly Cell[])[]
}

/** What people write where there is nothing; after `bare`. */
const NOTHING = new Set(
  [
    ...['', '-', '--', '–', '—', '.', '..', '...', '?', '/', 'x', 'n/a', 'na', 'n.a.', 'n/m', 'nm'],
    ...['none', 'nil', 'null', 'nan', 'tbd', 'pending', 'skip', 'skipped', 'missed', 'missing'],
    ...['not taken', 'not measured', 'not done', 'refused', 'unknown', 'blank', 'empty'],
    ...['#n/a', '#value!', '#div/0!', '#ref!', '#name?', '#num!', '#null!', '#wert!', '#nv'],
  ].flatMap((text) => [text, `(${text})`]),
)

/** Text without blanks of any kind at its ends, and in small letters. */
const bare = (text: string) =>
  text
    .replace(/[\u00a0\u202f\u200b\ufeff]/g, ' ')
    .trim()
    .toLowerCase()

/** Whether a cell says nothing: it is empty, or holds what people write for that. */
export const saysNothing = (cell: Cell | undefined): boolean =>
  cell === null || cell === undefined || (typeof cell === 'string' && NOTHING.has(bare(cell)))

/** What a cell shows, for a person. */
export function textOf(cell: Cell | undefined): string {
  if (cell === null || cell === undefined) return ''
  if (typeof cell === 'string') return cell.replace(/[\u00a0\u202f\u200b\ufeff]/g, ' ').trim()
  if (typeof cell === 'object') return cell.day
  // A sum of tenths is shown without the dust of binary fractions.
  return String(Number(cell.toPrecision(12)))
}

/**
 * A measured value without the signs that people put beside one: `12.5*`, `~12`, `(12)`, `12.5 (R)`.
 */
export function withoutMarks(text: string): string {
  return text
    .replace(/\s*\((?:l|r|left|right|rt|lt|est|estimated|approx)\.?\)\s*$/i, '')
    .replace(/^\((.*)\)$/, '$1')
    .replace(/^[~≈]\s*|^(?:approx|about|ca|c)\.?\s+(?=\d)/i, '')
    .replace(/\s*[*†‡?!^#]+$/, '')
    .trim()
}

/** A number as a cell has it; undefined where it is none. A per cent sign after it is no part of it. */
export function numberIn(cell: Cell | undefined): number | undefined {
  if (typeof cell === 'number') return Number.isFinite(cell) ? cell : undefined
  if (typeof cell !== 'string') return undefined
  return typedNumber(withoutMarks(textOf(cell)).replace(/\s*%$/, '').trim())
}

/** Digits after the point, as a cell shows them; undefined where it holds the number itself and not its text. */
export function decimalsOf(cell: Cell | undefined): number | undefined {
  if (typeof cell !== 'string') return undefined
  const match = /^\d+(?:[.,](\d+))?$/.exec(withoutMarks(textOf(cell)).replace(/\s*%$/, '').trim())
  return match ? (match[1]?.length ?? 0) : undefined
}

/** The apostrophe with which a file keeps a spreadsheet from working a text out is no part of it. */
export const withoutGuard = (text: string): string => text.replace(/^'(?=[=+\-@\t\r])/, '')

import Papa from 'papaparse'
import { withoutGuard, type Cell, type FileSheet } from './cells'

/** Cells of text: what a file of values between signs holds, or what was copied out of a spreadsheet. */

const SIGNS = ['\t', ';', ',', '|'] as const
const LINES_LOOKED_AT = 30

/** How often a sign stands outside of quotes in a line. */
function count(line: string, sign: string): number {
  let [found, quoted] = [0, false]
  for (const at of line) {
    if (at === '"') quoted = !quoted
    else if (at === sign && !quoted) found++
  }
  return found
}

/**
 * The sign between the cells of a text. Tabs come before semicolons and those before commas, since a comma may be within
 * a number; a line of one cell, as a title, has none.
 */
export function signBetween(text: string): string {
  const said = /^\uFEFF?sep=(.)\r?\n/i.exec(text)
  if (said) return said[1]!
  const lines = text
    .slice(0, 100_000)
    .split(/\r?\n/)
    .filter((line) => line.trim() !== '')
    .slice(0, LINES_LOOKED_AT)
  const most = lines.length / 2
  return (
    SIGNS.find(
      (sign) => lines.filter((line) => count(line, sign) > 0).length >= most && lines.length > 0,
    ) ?? ','
  )
}

/**
 * A text as a sheet.
 *
 * @param name of the sheet
 */
export function sheetOfText(text: string, name = ''): FileSheet {
  const body = text.replace(/^\uFEFF/, '').replace(/^sep=.\r?\n/i, '')
  const { data } = Papa.parse<string[]>(body, {
    delimiter: signBetween(text),
    skipEmptyLines: false,
  })
  return {
    name,
    rows: data.map((row): Cell[] => row.map((cell) => (cell === '' ? null : withoutGuard(cell)))),
  }
}

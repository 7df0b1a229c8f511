import { textOf, type Words } from '../../core/index'
import type { ReadFile } from './read-file'
import type { RecordsIn } from './records-in'

/** Rows that were left out, as the file had them, so that they can be corrected and brought in again. */
export interface LeftRows {
  /** Headings of the file; what each row says, and why it was left out. */
  sheets: { headings: string[]; rows: { cells: string[]; reason: Words }[] }[]
}

/**
 * The rows that were left out, sheet by sheet.
 *
 * Where days run across there are no such rows: those come as the place alone, as do single values.
 */
export function leftRows(file: ReadFile, { left, sheets }: RecordsIn): LeftRows {
  const names = [...new Set(left.map(({ sheet }) => sheet))]
  return {
    sheets: names.map((name) => {
      const of = left.filter(({ sheet }) => sheet === name)
      const table = sheets.find(({ sheet }) => sheet === name)
      const grid = file.kind === 'sheets' ? file.sheets.find((one) => one.name === name) : undefined
      if (!grid || !table || table.layout === 'log') {
        const rows = of.map(({ sheet, row, column, reason }) => ({
          ...{ cells: [sheet, String(row), column ?? ''], reason },
        }))
        return { headings: [], rows }
      }
      const headings = headingsOf(table.columns)
      const whole = of.map(({ row, reason }) => ({
        cells: headings.map((_, i) => textOf(grid.rows[row - 1]?.[i] ?? null)),
        reason,
      }))
      return { headings, rows: whole }
    }),
  }
}

function headingsOf(columns: readonly { place: number; heading: string }[]): string[] {
  const width = Math.max(0, ...columns.map(({ place }) => place))
  const headings = new Array<string>(width).fill('')
  for (const { place, heading } of columns) headings[place - 1] = heading
  return headings
}

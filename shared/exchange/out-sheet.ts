import { csvLines, IS_FORMULA } from '../../core/index'

/* A sheet that is handed out, and the files that it is written to. */

/** One column of a sheet that is handed out. */
export interface OutColumn {
  /** As files of ours name it, the same in every language. */
  name: string
  /** For people, with its unit. */
  heading: string
  kind: 'text' | 'number' | 'day'
}

export type OutValue = string | number | undefined

/** A sheet that is handed out: one subject. */
export interface OutSheet {
  name: string
  columns: readonly OutColumn[]
  rows: readonly Readonly<Record<string, OutValue>>[]
}

/** A sheet as values between commas (RFC 4180), its columns by the names that files have. */
export function csvOf({ columns, rows }: OutSheet): string {
  const names = columns.map(({ name }) => name)
  const filled = rows as readonly Readonly<Record<string, string | number>>[]
  return `${names.join(',')}\r\n${csvLines(names, filled)}`
}

const NARROWEST = 9
const WIDEST = 40

/** Sheets as a workbook: days and numbers as such, headings with their units that stay in sight. */
export async function workbookOf(sheets: readonly OutSheet[]): Promise<Uint8Array> {
  const { default: excel } = (await import('exceljs')) as { default: typeof import('exceljs') }
  const book = new excel.Workbook()
  book.creator = 'Oak Pinch'
  for (const { name, columns, rows } of sheets) {
    const sheet = book.addWorksheet(name.slice(0, 31), {
      views: [{ state: 'frozen', xSplit: 1, ySplit: 1 }],
    })
    sheet.columns = columns.map(({ heading, kind }) => ({
      header: heading,
      width: Math.min(WIDEST, Math.max(NARROWEST, heading.length + 2)),
      ...(kind === 'day' ? { style: { numFmt: 'yyyy-mm-dd' } } : {}),
    }))
    sheet.getRow(1).font = { bold: true }
    for (const row of rows)
      sheet.addRow(
        columns.map(({ name: of, kind }) => {
          const value = row[of]
          if (value === undefined || value === '') return null
          if (kind === 'day') return new Date(`${value}T00:00:00Z`)
          return typeof value === 'string' && IS_FORMULA.test(value) ? `'${value}` : value
        }),
      )
  }
  return new Uint8Array(await book.xlsx.writeBuffer())
}

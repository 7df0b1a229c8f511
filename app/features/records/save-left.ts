import Papa from 'papaparse'
import type { LeftRows } from '#shared/exchange/left-rows'

/** Rows that are written before the page can be drawn again. */
const SLICE = 400

/** Gives a file to whoever sits before the page. */
export function saveAs(file: Blob, name: string): void {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(file)
  link.download = name
  link.click()
  // After the browser has taken it.
  setTimeout(() => URL.revokeObjectURL(link.href), 10_000)
}

/** Saves the rows that were left out as values between commas, the reason last. */
export async function saveLeftRows(
  { sheets }: LeftRows,
  reasons: readonly string[],
  fileName: string,
): Promise<void> {
  let told = 0
  const parts: string[] = []
  for (const { headings, rows } of sheets) {
    const named = headings.length > 0
    const head = named
      ? headings
      : [t('records.sheet'), t('records.rowNumber'), t('records.column')]
    parts.push(lines([[...head, t('records.reason')]]))
    for (let i = 0; i < rows.length; i += SLICE) {
      parts.push(
        lines(rows.slice(i, i + SLICE).map(({ cells }) => [...cells, reasons[told++] ?? ''])),
      )
      await new Promise((resolve) => setTimeout(resolve))
    }
  }
  const stem = fileName.replace(/\.[^.]*$/, '')
  saveAs(
    new Blob(['\uFEFF', ...parts], { type: 'text/csv' }),
    `${stem} – ${t('records.leftOutFile')}.csv`,
  )
}

const lines = (rows: string[][]) => `${Papa.unparse(rows, { escapeFormulae: true })}\r\n`

/** Settings that read what spreadsheets write: comma, semicolon or tab, quotes, blank lines. */
export const READ_ROWS = { skipEmptyLines: true as const, delimitersToGuess: [',', ';', '\t'] }

/** A column name as it is looked for: without a byte-order mark, in lower case. */
export function columnName(name: string): string {
  return name
    .replace(/^\uFEFF/, '')
    .trim()
    .toLowerCase()
}

/** As READ_ROWS, with each row by column name. */
export const READ_CSV = { ...READ_ROWS, header: true as const, transformHeader: columnName }

/** What a spreadsheet takes for something to work out, or to run; with an apostrophe before it, it is text. */
export const IS_FORMULA = /^[=+\-@\t\r]/

const NEEDS_QUOTES = /[",\r\n]/

function cell(value: string | number | undefined): string {
  if (typeof value === 'number') return String(value)
  if (!value) return ''
  if (IS_FORMULA.test(value) && !Number.isFinite(Number(value))) return cell(`'${value}`)
  return NEEDS_QUOTES.test(value) ? `"${value.replaceAll('"', '""')}"` : value
}

/**
 * Rows as CSV text (RFC 4180) without a header line. Numbers keep every digit. By hand and not by the library that
 * reads: a backlog is mostly numbers, and this is three times as fast on them.
 */
export function csvLines(
  columns: readonly string[],
  rows: readonly Readonly<Record<string, string | number>>[],
): string {
  const [first = '', ...rest] = columns
  let text = ''
  for (const row of rows) {
    text += cell(row[first])
    for (const column of rest) text += `,${cell(row[column])}`
    text += '\r\n'
  }
  return text
}

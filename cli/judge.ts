/** The verb `judge`: a file of records, one row a check-in, to what each look at them says. */
import Papa from 'papaparse'
import { columnName, csvLines } from '../core/exchange/csv'
import { JUDGE_COLUMNS, judgeRows } from '../core/exchange/judge-rows'
import { readRecords } from '../core/exchange/record-file'
import { readWhole, write } from './files'
import { UsageError, type Verb } from './verb'

export const judge: Verb = {
  summary: 'what changed in each record of a CSV file, at every check-in, and how sure it is',
  help: `FILE

  FILE  CSV with one row a check-in, in order of date, its columns named as docs/how-it-computes.md says; - for
        standard input.
  Results are CSV with one row for each check-in, horizon and quantity. Rows that are refused are named on standard
  error with row and column, and the others are judged; the exit code is 2 when none could be.`,
  async run(args) {
    const [path, ...more] = args
    if (path === undefined) throw new UsageError('File: is missing. Accepted: a CSV file, or -.')
    if (more.length > 0) throw new UsageError(`File: got ${args.length}. Accepted: one.`)
    const text = await readWhole(path)
    const { data } = Papa.parse<string[]>(text, { delimitersToGuess: [',', ';', '\t'] })
    const [header = [], ...rows] = data
    const { clients, refused } = readRecords([header.map(columnName), ...rows])
    for (const { row, column, words } of refused) {
      process.stderr.write(`Row ${row}, column ${column}: ${words}\n`)
    }
    await write(`${JUDGE_COLUMNS.join(',')}\r\n`)
    let judged = false
    for (const of of clients.values()) {
      const lines = judgeRows(of)
      judged ||= lines.length > 0
      await write(csvLines(JUDGE_COLUMNS, lines))
    }
    return judged ? 0 : 2
  },
}

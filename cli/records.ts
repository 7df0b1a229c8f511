/** The verbs of a file of records, one row a check-in: `judge` and `check`. */
import { CHECK_COLUMNS, checkRows } from '../core/exchange/check-rows'
import { csvLines } from '../core/exchange/csv'
import { JUDGE_COLUMNS, judgeRows } from '../core/exchange/judge-rows'
import { readRecords, type RecordRow } from '../core/exchange/record-file'
import type { Words } from '../core/say'
import { told } from '../shared/words/tell'
import { onePath, readTable, tellRefused, write } from './files'
import type { Verb } from './verb'
import { voice } from './voice'

const FILE = `FILE

  FILE  CSV with one row a check-in, in order of date, its columns named as docs/how-it-computes.md says; - for
        standard input.`

type Line = Readonly<Record<string, Words | number>>

/** A verb that makes lines of each client's rows. */
function ofRecords(
  about: Pick<Verb, 'summary' | 'help'>,
  columns: readonly string[],
  linesOf: (rows: readonly RecordRow[]) => readonly Line[],
  impossible: 'refuse' | 'take',
): Verb {
  return {
    ...about,
    async run(args) {
      const { clients, refused } = readRecords(await readTable(onePath(args)), impossible)
      tellRefused(refused)
      await write(`${columns.join(',')}\r\n`)
      let done = false
      for (const of of clients.values()) {
        done ||= of.some(({ trials }) => trials.size > 0)
        await write(csvLines(columns, told(linesOf(of), voice())))
      }
      return done ? 0 : 2
    },
  }
}

export const judge = ofRecords(
  {
    summary: 'what changed in each record of a CSV file, at every check-in, and how sure it is',
    help: `${FILE}
  Results are CSV with one row for each check-in, horizon and quantity. Rows that are refused are named on standard
  error with row and column, and the others are judged; the exit code is 2 when none could be.`,
  },
  JUDGE_COLUMNS,
  judgeRows,
  'refuse',
)

export const check = ofRecords(
  {
    summary: 'what asks for a second look in each sheet of a CSV file, against the ones before it',
    help: `${FILE}
  Results are CSV with one row for each reading that was likely meant otherwise. Rows that are refused are named on
  standard error with row and column; the exit code is 2 when no sheet could be read.`,
  },
  CHECK_COLUMNS,
  checkRows,
  'take',
)

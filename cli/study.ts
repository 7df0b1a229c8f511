/** The verb `study`: how well testers agree with themselves and with each other. */
import { csvLines } from '../core/exchange/csv'
import { readStudy, STUDY_COLUMNS, studyLines } from '../core/exchange/study-rows'
import { onePath, readTable, tellRefused, write } from './files'
import type { Verb } from './verb'

export const study: Verb = {
  summary: 'how well repeated measurements agree, within testers and between two, from a CSV file',
  help: `FILE

  FILE  CSV with the columns subject,site,tester,trial_1,trial_2 and trial_3 where it was taken, a row a subject, site and
        tester; - for standard input.
  Results are CSV with a row a site and tester: technical error, in percent too, ICC(3,1), mean of the second less the
  first, and limits of agreement. Rows inter hold the means of two testers against each other, the second less the first.
  Rows that are refused are named on standard error with row and column; the exit code is 1 then, and 2 when none could
  be read.`,
  async run(args) {
    const read = readStudy(await readTable(onePath(args)))
    tellRefused(read.refused)
    await write(`${STUDY_COLUMNS.join(',')}\r\n`)
    await write(csvLines(STUDY_COLUMNS, studyLines(read.study)))
    if (read.study.length === 0) return 2
    return read.refused.length > 0 ? 1 : 0
  },
}

import { isSite, type SiteId } from '../anatomy/ids'
import { limitsOf } from '../anatomy/limits'
import { inputError } from '../errors'
import { type StudyResult, type StudyRow, studyResults } from '../measurement-error/study'
import { say } from '../say'
import { type RefusedRow, type RowReader, needColumns, readEach, within } from './rows'

/** The columns of a study's results, in the order in which they are written. */
export const STUDY_COLUMNS = [
  ...['site', 'tester', 'pairs', 'tem', 'tem_percent', 'icc', 'bias', 'loa_low', 'loa_high'],
] as const

const NEEDED = ['subject', 'site', 'tester', 'trial_1', 'trial_2'] as const
const TRIALS = ['trial_1', 'trial_2', 'trial_3'] as const
const LARGEST = 1000

function needed(row: RowReader, column: 'subject' | 'site' | 'tester'): string {
  const text = row.text(column)
  if (text === '') throw inputError(column, 'missing', column, '', say('files.nameNumber'))
  return text
}

/** What can be read at a site; of a site that is nobody's but the file's, any length. */
function limitsAt(site: string): readonly [number, number] {
  if (!isSite(site)) return [0, LARGEST]
  const { hardLow, hardHigh } = limitsOf(site as SiteId)
  return [hardLow, hardHigh]
}

function readRow(row: RowReader): StudyRow {
  const [subject, site, tester] = [
    needed(row, 'subject'),
    needed(row, 'site').toLowerCase(),
    needed(row, 'tester'),
  ]
  const [low, high] = limitsAt(site)
  const trials = TRIALS.flatMap((column) => within(column, row.number(column), low, high) ?? [])
  // The first two are needed; a third may be left out.
  for (const column of NEEDED.slice(3))
    if (row.number(column) === undefined)
      throw inputError(column, 'missing', column, '', say('files.numberDecimalPointComma'))
  return { subject, site, tester, trials }
}

/**
 * Reads a file of a study, a row a subject, site and tester. A row that cannot be read, and a second one of the same three,
 * are refused with their place.
 *
 * @param rows with the names of the columns first
 * @throws InputError where a column is missing
 */
export function readStudy(rows: readonly (readonly string[])[]): {
  study: StudyRow[]
  refused: RefusedRow[]
} {
  needColumns(rows[0] ?? [], NEEDED)
  const refused: RefusedRow[] = []
  const seen = new Set<string>()
  const study = readEach(rows, refused, (row) => {
    const read = readRow(row)
    const key = JSON.stringify([read.subject, read.site, read.tester])
    if (seen.has(key))
      throw inputError('subject', 'impossible', 'subject', read.subject, say('files.oneRowEach'))
    seen.add(key)
    return read
  })
  return { study, refused }
}

const BETWEEN = 'inter'

/** What a study says, a line a site and tester; `inter` for two testers, with the name of the other where there are more. */
export function studyLines(study: readonly StudyRow[]) {
  const results = studyResults(study)
  const many = (site: string) =>
    results.filter((one) => one.site === site && one.against !== undefined).length > 1
  const testerOf = ({ site, tester, against }: StudyResult) => {
    if (against === undefined) return tester
    return many(site) ? `${BETWEEN} ${against}` : BETWEEN
  }
  return results.map((one) => ({
    ...{ site: one.site, tester: testerOf(one), pairs: one.pairs, tem: one.tem },
    ...{ tem_percent: one.temPercent, icc: one.icc ?? '', bias: one.bias },
    ...{ loa_low: one.limits?.[0] ?? '', loa_high: one.limits?.[1] ?? '' },
  }))
}

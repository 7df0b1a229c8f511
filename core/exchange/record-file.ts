import { standardFor } from '../anatomy/landmarks'
import { say } from '../say'
import {
  GIRTH_IDS,
  type LandmarkStandard,
  SKINFOLD_IDS,
  type Sex,
  type SiteId,
  isSkinfold,
  BONE_IDS,
} from '../anatomy/ids'
import { type MeasurementSetup, USUAL_SETUP } from '../measurement-error/site-error'
import type { Location } from '../anatomy/landmark-standards'
import { limitsOf } from '../anatomy/limits'
import { equationById } from '../equations/registry'
import { inputError } from '../errors'
import { INT_RULES, US_RULES } from '../protocols/registry'
import type { TrialScheme } from '../protocols/trial-scheme'
import { type SiteValue, siteValue } from '../readings/site-value'
import { schemeOf } from '../readings/trials'
import { type IsoDate, ageOn } from '../units/dates'
import { standardOf } from './batch'
import {
  type RefusedRow,
  type RowReader,
  chosen,
  dateIn,
  needColumns,
  readEach,
  within,
} from './rows'

/** One row of a file of records: a check-in, or body mass alone. */
export interface RecordRow {
  /** In the file; the header is row 1. */
  row: number
  client: string
  date: IsoDate
  sex: Sex
  ageYears: number | undefined
  heightCm: number | undefined
  massKg: number | undefined
  massDays: number
  /** Undefined where the row names none. */
  equationId: string | undefined
  standard: LandmarkStandard
  tester: string
  skill: 'trained' | 'novice'
  caliper: string
  startsPhase: boolean
  /** Trials by site as they were taken, mm and cm. */
  trials: Map<SiteId, number[]>
}

/** Who measured a row with what: one of each, so that what is known of a hand is computed once. */
export const SETUPS: Readonly<Record<RecordRow['skill'], MeasurementSetup>> = {
  trained: { ...USUAL_SETUP, skill: 'trained' },
  novice: { ...USUAL_SETUP, skill: 'novice' },
}

const NEEDED = ['client', 'date', 'sex'] as const
const MOST_TRIALS = 3
const MOST_DAYS = 31
const OLDEST = 120

interface SiteColumns {
  site: SiteId
  columns: string[]
}
const trialColumns = (site: SiteId, unit: 'mm' | 'cm'): SiteColumns => ({
  site,
  columns: Array.from({ length: MOST_TRIALS }, (_, i) => `${site}_${unit}_${i + 1}`),
})
const SITES: readonly SiteColumns[] = [
  ...SKINFOLD_IDS.map((site) => trialColumns(site, 'mm')),
  ...[...GIRTH_IDS, ...BONE_IDS].map((site) => trialColumns(site, 'cm')),
]

/** A site's value with the scheme that it was settled by. */
export interface SettledValue extends SiteValue {
  scheme: TrialScheme
}

/** The value of a site by the rules of its row's standard. */
export function valueIn(
  standard: LandmarkStandard,
  site: SiteId,
  trials: readonly number[],
): SettledValue {
  const scheme = schemeOf(standard === 'int' ? INT_RULES : US_RULES, site)
  return { scheme, ...siteValue(trials, scheme.tolerance, scheme.value)! }
}

/** Where a value of a site stands on the body, by the standard of its row. */
export const placeIn = (standard: LandmarkStandard, site: SiteId): Location => ({
  site,
  standard: isSkinfold(site) ? standardFor(site, standard) : null,
})

/** @param impossible what is to be done with a value that cannot be: refused where not said */
function trialsOf(row: RowReader, impossible: 'refuse' | 'take'): RecordRow['trials'] {
  const trials: RecordRow['trials'] = new Map()
  for (const { site, columns } of SITES) {
    const { hardLow, hardHigh } = limitsOf(site)
    const values = columns.flatMap((column) => {
      const value = row.number(column)
      if (value === undefined) return []
      return impossible === 'take' ? [value] : [within(column, value, hardLow, hardHigh)!]
    })
    if (values.length > 0) trials.set(site, values)
  }
  return trials
}

function readRow(at: number, row: RowReader, impossible: 'refuse' | 'take'): RecordRow {
  const client = row.text('client')
  if (client === '') throw inputError('client', 'missing', 'client', '', say('files.nameNumber'))
  const date = dateIn(row, 'date')
  if (date === undefined) {
    throw inputError('date', 'missing', 'date', '', say('files.dateExists20260314'))
  }
  const born = dateIn(row, 'birth_date')
  const ageYears = born === undefined ? undefined : ageOn(born, date)
  if (born !== undefined && born > date) {
    throw inputError('birth_date', 'impossible', 'birth_date', born, say('files.dayUp', { date }))
  }
  within('birth_date', ageYears, 0, OLDEST)
  const body = (column: 'mass_kg' | 'height_cm', of: 'mass' | 'height') => {
    const value = row.number(column)
    const { hardLow, hardHigh } = limitsOf(of)
    return impossible === 'take' && of === 'mass' ? value : within(column, value, hardLow, hardHigh)
  }
  const equation = row.text('equation')
  if (equation !== '') equationById(equation)
  return {
    ...{ row: at, client, date, ageYears },
    sex: chosen(row, 'sex', ['male', 'female']),
    heightCm: body('height_cm', 'height'),
    massKg: body('mass_kg', 'mass'),
    massDays: within('mass_days', row.number('mass_days'), 1, MOST_DAYS) ?? 1,
    equationId: equation || undefined,
    standard: standardOf(row),
    tester: row.text('tester'),
    skill: chosen(row, 'tester_skill', ['', 'trained', 'novice']) || 'trained',
    caliper: row.text('caliper'),
    startsPhase: chosen(row, 'event', ['', 'plan', 'mark']) !== '',
    trials: trialsOf(row, impossible),
  }
}

/** The rows of a file by client, in the order in which they come first, and what was refused. */
export interface RecordFile {
  clients: Map<string, RecordRow[]>
  refused: RefusedRow[]
}

/**
 * Reads the rows of a file of records: one row a check-in, each client's in the order of their dates.
 *
 * @param rows with the header first; empty ones do not count
 * @param impossible a value that cannot be is refused with its row, or taken where it is to be found
 * @throws InputError where a column is missing that every row needs
 */
export function readRecords(
  rows: readonly (readonly string[])[],
  impossible: 'refuse' | 'take' = 'refuse',
): RecordFile {
  needColumns(rows[0] ?? [], NEEDED)
  const clients: RecordFile['clients'] = new Map()
  const refused: RefusedRow[] = []
  readEach(rows, refused, (cells, at) => {
    const row = readRow(at, cells, impossible)
    const of = clients.get(row.client) ?? []
    inOrder(row, of.at(-1))
    of.push(row)
    clients.set(row.client, of)
  })
  return { clients, refused }
}

/** A client's rows follow one another in time and are about one person. */
function inOrder(row: RecordRow, before: RecordRow | undefined) {
  if (!before) return
  if (row.date < before.date) {
    throw inputError(
      'date',
      'impossible',
      'date',
      row.date,
      say('files.dayRowBeforeHas', { date: before.date, client: row.client }),
    )
  }
  if (row.sex !== before.sex) {
    throw inputError(
      'sex',
      'impossible',
      'sex',
      row.sex,
      say('files.rowBefore', { sex: before.sex }),
    )
  }
}

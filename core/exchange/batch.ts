import { type Message, say, sentences, type Words } from '../say'
import {
  BONE_IDS,
  GIRTH_IDS,
  LANDMARK_STANDARDS,
  type LandmarkStandard,
  SKINFOLD_IDS,
  type Sex,
  type SiteId,
} from '../anatomy/ids'
import { type LocatedValue, serves } from '../anatomy/landmark-standards'
import { standardFor } from '../anatomy/landmarks'
import { estimate } from '../composition/estimate'
import { estimateEvery } from '../composition/every'
import { checkedConversion } from '../equations/conversions'
import { isOfGroup } from '../equations/populations'
import { equationById } from '../equations/registry'
import {
  GROUP_TERMS,
  PUBERTY_STAGES,
  type Conversion,
  type Equation,
  type Estimate,
  type Subject,
  type Values,
} from '../equations/types'
import { InputError, inputError } from '../errors'
import { type RowReader, numberOf, rowReader } from './rows'

/** Columns of the result, in order. */
export const BATCH_COLUMNS = [
  'id',
  'equation',
  'conversion',
  'sum_mm',
  'density',
  'fat_percent',
  'standard_error',
  'fat_mass_kg',
  'lean_mass_kg',
  'warnings',
  'error',
] as const

type Column = (typeof BATCH_COLUMNS)[number]
export type BatchResult = Record<Exclude<Column, 'warnings' | 'error'>, string | number> &
  Record<'warnings' | 'error', Words>

interface SiteColumn {
  site: SiteId
  column: string
  standards: Record<LandmarkStandard, LandmarkStandard | null>
}

const ofEach = <T>(of: (standard: LandmarkStandard) => T) =>
  Object.fromEntries(LANDMARK_STANDARDS.map((one) => [one, of(one)])) as Record<LandmarkStandard, T>

/** The input column of every site. */
const SITE_COLUMNS: SiteColumn[] = [
  ...SKINFOLD_IDS.map((site) => ({
    site,
    column: `${site}_mm`,
    standards: ofEach((sheet) => standardFor(site, sheet)),
  })),
  ...[...GIRTH_IDS, ...BONE_IDS].map((site) => ({
    site,
    column: `${site}_cm`,
    standards: ofEach(() => null),
  })),
]

export function standardOf(row: RowReader): LandmarkStandard {
  // `school` is what the column was called at first; sheets that say so are still about.
  const text = row.text('standard') || row.text('school') || 'us'
  const known = LANDMARK_STANDARDS.find((one) => one === text)
  if (known) return known
  const accepted = say('files.standardsUsWhenEmpty', { ids: LANDMARK_STANDARDS.join(', ') })
  throw inputError('standard', 'unknown', 'standard', text, accepted)
}

/** What a row is besides its values. */
interface Sheet {
  id: string
  subject: Subject
  standard: LandmarkStandard
  conversion: Conversion
}

/** Siri's where none is named; `direct` stands in results of forms that want none. */
function conversionOf(row: RowReader, sex: Sex): Conversion {
  const text = row.text('conversion')
  return text === '' || text === 'direct' ? 'siri' : checkedConversion(text, sex)
}

function subjectOf(row: RowReader): Subject {
  const sex = row.text('sex')
  if (sex !== 'male' && sex !== 'female') {
    throw inputError('sex', sex ? 'unknown' : 'missing', 'sex', sex, say('files.maleFemale'))
  }
  const ageYears = row.number('age_years')
  if (ageYears === undefined) {
    throw inputError('age_years', 'missing', 'age_years', '', say('files.n0120Years'))
  }
  return {
    ...{ sex, ageYears, heightCm: row.number('height_cm'), massKg: row.number('mass_kg') },
    puberty: oneOf(row, 'puberty', PUBERTY_STAGES, say('methods.pubertyStages')),
    groupTerm: oneOf(row, 'group_term', GROUP_TERMS, say('methods.groupTerms')),
  }
}

/** A word of a column that may be empty. @throws InputError naming the column where it is another word */
function oneOf<W extends string>(
  row: RowReader,
  column: string,
  words: readonly W[],
  accepted: Message,
): W | undefined {
  const text = row.text(column)
  const known = words.find((word) => word === text)
  if (known || !text) return known
  throw inputError(column, 'unknown', column, text, accepted)
}

function resultRow(id: string, result: Estimate): BatchResult {
  return {
    id,
    equation: result.equationId,
    conversion: result.conversion,
    sum_mm: result.sumMm ?? '',
    density: result.density ?? '',
    fat_percent: result.fatPercent,
    standard_error: result.standardError ?? '',
    fat_mass_kg: result.fatMassKg ?? '',
    lean_mass_kg: result.leanMassKg ?? '',
    warnings: result.warnings.length ? sentences(...result.warnings) : '',
    error: '',
  }
}

function errorRow(id: string, equation: string, error: InputError): BatchResult {
  return {
    id,
    equation,
    conversion: '',
    sum_mm: '',
    density: '',
    fat_percent: '',
    standard_error: '',
    fat_mass_kg: '',
    lean_mass_kg: '',
    warnings: '',
    error: error.said,
  }
}

/** Where an equation's sites stand in a sheet, for one sex and standard. */
interface Plan {
  equation: Equation
  served: PlacedColumn[]
  /** Columns of the equation's folds that hold another standard's value. */
  foreign: PlacedColumn[]
}

type PlacedColumn = SiteColumn & { at: number }

function planFor(
  name: string,
  sex: Sex,
  standard: LandmarkStandard,
  columns: PlacedColumn[],
): Plan {
  const equation = equationById(name)
  const folds: readonly SiteId[] = equation.variants.find((v) => v.sex === sex)?.folds ?? []
  const isServed = ({ site, standards }: PlacedColumn) =>
    serves({ site, standard: standards[standard], value: NaN }, equation.standard)
  return {
    equation,
    served: columns.filter(isServed),
    foreign: columns.filter((column) => folds.includes(column.site) && !isServed(column)),
  }
}

function byName(
  { equation, served, foreign }: Plan,
  { id, subject, standard, conversion }: Sheet,
  cells: readonly string[],
): BatchResult {
  const other = foreign.find(({ at }) => cells[at]?.trim())
  if (other) {
    throw inputError(
      'standard',
      'wrong-standard',
      say('files.landmarkStandard', { name: equation.name, site: other.site }),
      other.standards[standard],
      `${equation.standard}`,
    )
  }
  const values: Values = {}
  for (const { site, column, at } of served) {
    const value = numberOf(column, cells[at]?.trim() ?? '')
    if (value !== undefined) values[site] = value
  }
  return resultRow(id, estimate(equation.id, subject, values, { conversion }))
}

function byInputs({ id, subject, conversion }: Sheet, measured: LocatedValue[]): BatchResult[] {
  const results = estimateEvery(subject, measured, { conversion }).filter(({ equation }) =>
    isOfGroup(equation, subject),
  )
  const rows = results.flatMap((result): BatchResult[] => {
    if (result.ok) return [resultRow(id, result.estimate)]
    // An equation that is not meant for this person is not among those that the inputs allow.
    if (result.error.problem === 'outside-domain') return []
    return [errorRow(id, result.equation.id, result.error)]
  })
  if (rows.length > 0) return rows
  const refusal = results.find((result) => !result.ok)
  const reason =
    refusal && !refusal.ok
      ? refusal.error
      : inputError(
          'equation',
          'missing',
          say('files.inputs'),
          say('files.completeSetSites'),
          say('files.allInputsOneEquationMore'),
        )
  return [errorRow(id, '', reason)]
}

/**
 * Reads a backlog of paper sheets row by row. The columns are found once, so that a long file costs no look-ups.
 *
 * @param header column names, as in docs/how-it-computes.md: folds in `_mm`, girths in `_cm`
 * @returns the estimates of a row's cells, densities by its `conversion`: one for each equation that its `equation` column names (ids with blanks
 *   between), or all that its inputs allow; numbers unrounded. A bad row is one with its words in `error`
 */
export function batchReader(
  header: readonly string[],
): (cells: readonly string[]) => BatchResult[] {
  const places = new Map(header.map((name, i) => [name, i]))
  const columns = SITE_COLUMNS.flatMap((site): PlacedColumn[] => {
    const at = places.get(site.column)
    return at === undefined ? [] : [{ ...site, at }]
  })
  const readRow = rowReader(header)
  const plans = new Map<string, Plan>()

  function named(name: string, sheet: Sheet, cells: readonly string[]) {
    const { subject, standard } = sheet
    try {
      const key = `${name} ${subject.sex} ${standard}`
      let plan = plans.get(key)
      if (!plan) plans.set(key, (plan = planFor(name, subject.sex, standard, columns)))
      return byName(plan, sheet, cells)
    } catch (error) {
      if (error instanceof InputError) return errorRow(sheet.id, name, error)
      throw error
    }
  }

  return (cells) => {
    const row = readRow(cells)
    const id = row.text('id')
    const names = row.text('equation')
    try {
      const subject = subjectOf(row)
      const standard = standardOf(row)
      const sheet = { id, subject, standard, conversion: conversionOf(row, subject.sex) }
      if (names !== '') return names.split(/\s+/).map((name) => named(name, sheet, cells))
      const measured = columns.flatMap(({ site, column, standards, at }): LocatedValue[] => {
        const value = numberOf(column, cells[at]?.trim() ?? '')
        return value === undefined ? [] : [{ site, standard: standards[standard], value }]
      })
      return byInputs(sheet, measured)
    } catch (error) {
      if (error instanceof InputError) return [errorRow(id, names, error)]
      throw error
    }
  }
}

/** Estimates one row by column name, as `batchReader` does. */
export function estimateRow(row: Readonly<Record<string, string>>): BatchResult[] {
  return batchReader(Object.keys(row))(Object.values(row))
}

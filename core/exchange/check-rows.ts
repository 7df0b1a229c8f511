import type { SiteId } from '../anatomy/ids'
import { plausibility } from '../anatomy/limits'
import { expectedMass } from '../composition/expected-mass'
import { type DatedMass, massesFrom } from '../data-quality/expected-mass'
import { findEntryErrors } from '../data-quality/find'
import type { EntryErrorContext, EntryErrorKind, Finding } from '../data-quality/finding'
import { siteError } from '../measurement-error/site-error'
import { daysBetween } from '../units/dates'
import { type RecordRow, SETUPS, placeIn, valueIn } from './record-file'

export const CHECK_COLUMNS = [
  'client',
  'date',
  'finding',
  'site',
  'trial',
  'typed',
  'suggested',
  'second_suggestion',
] as const
type CheckRow = Record<(typeof CHECK_COLUMNS)[number], string | number>

/** What a finding is called in the file; those that only ask for a second look at a body are not in it. */
const NAMES: Partial<Record<EntryErrorKind, string>> = {
  ...{ decimal: 'decimal', unit: 'unit', swap: 'swap', transposition: 'digits' },
  ...{ copy: 'copied-round', 'moved alone': 'wrong-site', apart: 'odd-trial' },
  ...{ ten: 'ten', 'odd trial': 'odd-trial', 'repeated site': 'repeated-site' },
}
const DAYS_A_WEEK = 7
const HALF_MM = 0.5
const DIGITS = 3

const rounded = (value: number) => Number(value.toFixed(DIGITS))

/** What is known of a client from the sheets before. */
interface Known {
  last: EntryErrorContext['last']
  masses: readonly DatedMass[]
  date: string | undefined
  massAt: EntryErrorContext['massAt']
}

/** A value with the standard it was located by: another standard's is another value. */
const keyOf = (row: RecordRow, site: SiteId) => `${site}|${placeIn(row.standard, site).standard}`

/** Finds what asks for a second look in the sheets of one client, each against the ones before it. */
export function checkRows(rows: readonly RecordRow[]): CheckRow[] {
  const values = new Map<string, { value: number; trials: number }>()
  let known: Omit<Known, 'last'> = { masses: [], date: undefined, massAt: undefined }
  return rows.flatMap((row) => {
    const last: Known['last'] = {}
    for (const site of row.trials.keys()) {
      const before = values.get(keyOf(row, site))
      if (before) last[site] = before
    }
    const findings = findEntryErrors(row.trials, contextOf(row, { ...known, last }))
    const right = corrected(row, findings)
    for (const [site, trials] of right.trials) {
      const { value } = valueIn(row.standard, site, trials)
      values.set(keyOf(row, site), { value, trials: trials.length })
    }
    known = {
      masses: massesAfter(known.masses, right),
      date: row.trials.size > 0 ? row.date : known.date,
      massAt: row.trials.size > 0 ? massAtOf(right) : known.massAt,
    }
    return linesOf(row, findings)
  })
}

/** Masses that another is held against: older ones add nothing. */
const MASSES_KEPT = 40

/** The masses on record with one that was not questioned, or that is known as it was meant. */
function massesAfter(masses: Known['masses'], { row, massKg }: ReturnType<typeof corrected>) {
  if (massKg === undefined) return masses
  return [...masses, { date: row.date, kg: massKg }].slice(-MASSES_KEPT)
}

function contextOf(row: RecordRow, { last, masses, date, massAt }: Known): EntryErrorContext {
  return {
    errorOf: (site) => siteError(site, SETUPS[row.skill]),
    graduationMm: HALF_MM,
    sex: row.sex,
    ...(date ? { weeks: daysBetween(date, row.date) / DAYS_A_WEEK } : {}),
    last,
    massKg: row.massKg,
    masses: massesFrom(row.date, masses),
    heightCm: row.heightCm,
    massAt,
  }
}

/** The sheet as it was likely meant: what comes later is compared with this. */
function corrected(row: RecordRow, findings: readonly Finding[]) {
  const trials = new Map([...row.trials].map(([site, typed]) => [site, [...typed]]))
  // A mass that nothing on record explains stays out of it.
  let massKg = findings.some(({ sites }) => sites[0] === 'mass') ? undefined : row.massKg
  for (const { site, trial, value } of findings.flatMap(({ suggestions }) => suggestions)) {
    if (site === 'mass') massKg = value
    else if (site !== 'height' && trial !== null) trials.get(site)![trial - 1] = value
  }
  return { row, trials, massKg }
}

/** Body mass by the common change of the folds, where the sheet feeds its equation. */
function massAtOf({ row, trials, massKg }: ReturnType<typeof corrected>): Known['massAt'] {
  if (!row.equationId || massKg === undefined) return undefined
  const values = Object.fromEntries(
    [...trials].map(([site, typed]) => [site, valueIn(row.standard, site, typed).value]),
  )
  const { sex, ageYears, heightCm } = row
  return expectedMass(row.equationId, { sex, ageYears, heightCm, massKg }, values)
}

/** One line a changed reading; a finding that offers nothing has one line for all its sites. */
function linesOf(row: RecordRow, findings: readonly Finding[]): CheckRow[] {
  const { client, date } = row
  const empty = { trial: '', typed: '', suggested: '', second_suggestion: '' }
  const found = findings.flatMap(({ kind, sites, suggestions, readings }): CheckRow[] => {
    const ofMass = sites[0] === 'mass' || sites[0] === 'height'
    const finding = ofMass ? 'mass' : NAMES[kind]
    // A BMI that is unusual is no slip of the keys.
    if (finding === undefined || kind === 'relation') return []
    const site = sites.join(' ')
    const head = { client, date, finding, site }
    if (suggestions.length > 0) {
      return suggestions.map(({ site: of, trial, value, second }) => ({
        ...{ ...head, trial: trial ?? '' },
        typed: typedOf(row, of, trial) ?? '',
        suggested: rounded(value),
        second_suggestion: second === undefined ? '' : rounded(second),
      }))
    }
    if (ofMass) return [{ ...head, ...empty, typed: row.massKg ?? '' }]
    if (!readings) return [{ ...head, ...empty }]
    return readings.map(({ site: of, trial }) => ({
      ...{ ...head, ...empty, trial, typed: typedOf(row, of, trial) ?? '' },
    }))
  })
  return [...found, ...impossible(row, found)]
}

function typedOf(row: RecordRow, of: SiteId | 'mass' | 'height', trial: number | null) {
  if (of === 'mass') return row.massKg
  if (of === 'height') return row.heightCm
  return row.trials.get(of)?.[(trial ?? 1) - 1]
}

/** Values that cannot be and that nothing explains. */
function impossible({ client, date, sex, trials }: RecordRow, found: readonly CheckRow[]) {
  return [...trials].flatMap(([site, typed]) =>
    typed.flatMap((value, i): CheckRow[] => {
      const said = found.some((f) => String(f.site).split(' ').includes(site) && f.typed === value)
      if (said || plausibility(site, value, sex) !== 'impossible') return []
      return [
        {
          ...{ client, date, finding: 'decimal', site, trial: i + 1, typed: value },
          ...{ suggested: '', second_suggestion: '' },
        },
      ]
    }),
  )
}

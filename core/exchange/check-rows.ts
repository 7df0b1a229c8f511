import type { SiteId } from '../anatomy/ids'
import { plausibility } from '../anatomy/limits'
import { expectedMass } from '../composition/expected-mass'
import { findEntryErrors } from '../data-quality/find'
import type { EntryErrorContext, EntryErrorKind, Finding } from '../data-quality/finding'
import { USUAL_SETUP, siteErrorAt } from '../measurement-error/site-error'
import { daysBetween } from '../units/dates'
import { type RecordRow, placeIn, valueIn } from './record-file'

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
}
const DAYS_A_WEEK = 7
const HALF_MM = 0.5
const DIGITS = 3

const rounded = (value: number) => Number(value.toFixed(DIGITS))

/** What is known of a client from the sheets before. */
interface Known {
  last: EntryErrorContext['last']
  massKg: number | undefined
  date: string | undefined
  massAt: EntryErrorContext['massAt']
}

/** A value with the standard it was located by: another standard's is another value. */
const keyOf = (row: RecordRow, site: SiteId) => `${site}|${placeIn(row.standard, site).standard}`

/** Finds what asks for a second look in the sheets of one client, each against the ones before it. */
export function checkRows(rows: readonly RecordRow[]): CheckRow[] {
  const values = new Map<string, { value: number; trials: number }>()
  let known: Omit<Known, 'last'> = { massKg: undefined, date: undefined, massAt: undefined }
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
      massKg: right.massKg ?? known.massKg,
      date: row.trials.size > 0 ? row.date : known.date,
      massAt: row.trials.size > 0 ? massAtOf(right) : known.massAt,
    }
    return linesOf(row, findings)
  })
}

function contextOf(row: RecordRow, { last, massKg, date, massAt }: Known): EntryErrorContext {
  const setup = { ...USUAL_SETUP, skill: row.skill }
  const size = (site: SiteId) => last[site]?.value ?? row.trials.get(site)?.[0] ?? 0
  return {
    errorOf: (site) => siteErrorAt(site, setup, size(site)),
    graduationMm: HALF_MM,
    sex: row.sex,
    ...(date ? { weeks: daysBetween(date, row.date) / DAYS_A_WEEK } : {}),
    last,
    massKg: row.massKg,
    lastMassKg: massKg,
    heightCm: row.heightCm,
    massAt,
  }
}

/** The sheet as it was likely meant: what comes later is compared with this. */
function corrected(row: RecordRow, findings: readonly Finding[]) {
  const trials = new Map([...row.trials].map(([site, typed]) => [site, [...typed]]))
  let { massKg } = row
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
  const found = findings.flatMap(({ kind, sites, suggestions }): CheckRow[] => {
    const ofMass = sites[0] === 'mass' || sites[0] === 'height'
    const finding = ofMass ? 'mass' : NAMES[kind]
    if (finding === undefined || (ofMass && suggestions.length === 0)) return []
    const site = sites.join(' ')
    if (suggestions.length === 0) return [{ client, date, finding, site, ...empty }]
    return suggestions.map(({ site: of, trial, value }) => ({
      ...{ client, date, finding, site },
      trial: trial ?? '',
      typed: typedOf(row, of, trial) ?? '',
      suggested: rounded(value),
      second_suggestion: '',
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

import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import Papa from 'papaparse'
import { afterAll, describe, expect, test } from 'vitest'
import { addDays, CHECK_COLUMNS, JUDGE_COLUMNS, SEVEN_FOLDS } from '#core'

const root = fileURLToPath(new URL('../..', import.meta.url))
const folder = mkdtempSync(join(tmpdir(), 'oak-pinch-judge-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))

const COLUMNS = [
  ...['client', 'date', 'sex', 'birth_date', 'height_cm', 'mass_kg', 'mass_days', 'equation'],
  ...['school', 'tester', 'tester_skill', 'caliper', 'event'],
  ...SEVEN_FOLDS.flatMap((site) => [1, 2, 3].map((trial) => `${site}_mm_${trial}`)),
]
type Row = Partial<Record<(typeof COLUMNS)[number], string | number>>

/** A check-in with even folds. */
function sheet(week: number, fold: number, massKg: number, more: Row = {}): Row {
  const folds = SEVEN_FOLDS.flatMap((site) => [1, 2].map((t) => [`${site}_mm_${t}`, fold]))
  return {
    ...{ client: 'Ann', date: addDays('2030-01-07', 7 * week), sex: 'female', mass_kg: massKg },
    ...{ birth_date: '1995-06-01', equation: 'jackson-pollock-7', school: 'us', tester: 'A' },
    ...Object.fromEntries(folds),
    ...more,
  }
}
const weighIn = (week: number, massKg: number, days = 7): Row => ({
  ...{ client: 'Ann', date: addDays('2030-01-07', 7 * week), sex: 'female', mass_kg: massKg },
  mass_days: days,
})

const judge = (text: string) => oak('judge', text)

function oak(verb: 'judge' | 'check', text: string) {
  const file = join(folder, 'records.csv')
  writeFileSync(file, text)
  const done = spawnSync('node', ['scripts/oak.mjs', verb, file], {
    ...{ cwd: root, encoding: 'utf8', maxBuffer: 1 << 26 },
  })
  const read = Papa.parse<Record<string, string>>(done.stdout, {
    ...{ header: true, skipEmptyLines: true },
  })
  return { ...done, columns: read.meta.fields, rows: read.data }
}
const csv = (rows: readonly Row[], delimiter = ',', newline = '\r\n') =>
  Papa.unparse(rows.map((row) => COLUMNS.map((column) => row[column] ?? '')) as unknown[][], {
    delimiter,
    newline,
  }).replace(/^/, `${COLUMNS.join(delimiter)}${newline}`)

const CUT = [0, 4, 8, 12].map((week) => sheet(week, 22 - 0.4 * week, 70 - 0.45 * week))

describe('oak judge', () => {
  test('a row for each look, horizon and quantity; weigh-ins give none', () => {
    const done = judge(csv([CUT[0]!, weighIn(2, 69.2), ...CUT.slice(1)]))
    expect([done.status, done.stderr]).toEqual([0, ''])
    expect(done.columns).toEqual([...JUDGE_COLUMNS])
    const looks = [...new Set(done.rows.map(({ date }) => date))]
    expect(looks).toEqual(CUT.map(({ date }) => date))
    // The first look has no last time.
    expect(done.rows).toHaveLength((1 * 2 + 3 * 3) * 4)
    const last = done.rows.filter(({ date }) => date === CUT[3]!.date)
    const of = (horizon: string, quantity: string) =>
      last.find((row) => row.horizon === horizon && row.quantity === quantity)!
    expect(of('first', 'fat_mass').verdict).toBe('clear')
    expect(Number(of('first', 'fat_mass').odds)).toBeGreaterThan(20)
    expect(of('last', 'fat_mass')).toMatchObject({ odds: '', since: CUT[2]!.date })
    expect(of('last', 'fat_mass').verdict).toMatch(/^(no-change|not-yet)$/)
    expect(of('phase', 'sum').since).toBe(CUT[0]!.date)
    expect(Number(of('first', 'sum').change)).toBeLessThan(-15)
    const parts = ['fat_mass', 'lean_mass'].map((part) => Number(of('first', part).change))
    expect(parts[0]! + parts[1]!).toBeCloseTo(Number(of('first', 'body_mass').change), 3)
    expect(last[0]!.headline_rule).toBe('phase-clear')
    expect(last[0]!.headline).toMatch(/^Fat down \d\.\d kg, lean .* since Jan 7, 2030\.$/)
  })

  test('weigh-ins say more of the mass', () => {
    const widthOf = (rows: Row[]) => {
      const { low95, high95 } = judge(csv(rows)).rows.findLast(
        ({ horizon, quantity }) => horizon === 'first' && quantity === 'body_mass',
      )!
      return Number(high95) - Number(low95)
    }
    const weighed = [1, 2, 3].map((week) => weighIn(week, 70 - 0.45 * week))
    expect(widthOf([CUT[0]!, ...weighed, CUT[1]!])).toBeLessThan(0.85 * widthOf(CUT.slice(0, 2)))
  })

  test('an event begins a phase after its own row', () => {
    const rows = CUT.map((row, i) => ({ ...row, event: i === 1 ? 'mark' : '' }))
    const since = judge(csv(rows)).rows.filter(
      ({ horizon, quantity }) => horizon === 'phase' && quantity === 'fat_mass',
    )
    expect(since.map((row) => row.since)).toEqual([
      ...[CUT[0]!.date, CUT[0]!.date, CUT[1]!.date, CUT[1]!.date],
    ])
  })

  test('semicolons, decimal commas, a byte-order mark and any line end give the same', () => {
    const plain = judge(csv(CUT)).stdout
    const comma = (row: Row): Row =>
      Object.fromEntries(
        Object.entries(row).map(([id, value]) => [id, String(value).replace('.', ',')]),
      )
    expect(judge(`\uFEFF${csv(CUT.map(comma), ';', '\r')}`).stdout).toBe(plain)
  })

  test('three trials are settled by the landmark standard', () => {
    const apart = (school: string) =>
      CUT.map((row) => ({ ...row, school, thigh_mm_1: 20, thigh_mm_2: 26, thigh_mm_3: 21 }))
    const sum = (rows: Row[]) =>
      judge(
        csv(
          rows.map((row, i) =>
            i ? row : { ...row, thigh_mm_1: 26, thigh_mm_2: 26, thigh_mm_3: '' },
          ),
        ),
      )
        .rows.filter(({ quantity, horizon }) => quantity === 'sum' && horizon === 'first')
        .map(({ change }) => Number(change))
    // The agreeing pair is 20.5 and the median 21: the sum falls by half a millimetre more.
    const [us, int] = [sum(apart('us')), sum(apart('int'))]
    expect(us.at(-1)!).toBeLessThan(int.at(-1)! - 0.3)
  })

  test('what cannot be is named by row and column, and the other rows are judged', () => {
    const done = judge(
      csv([
        CUT[0]!,
        { ...CUT[1]!, equation: 'best-one' },
        { ...CUT[1]!, thigh_mm_2: 'n/a' },
        { ...CUT[1]!, chest_mm_1: 400 },
        { ...CUT[1]!, date: '2030-02-30' },
        { ...CUT[1]!, sex: 'x' },
        { ...CUT[1]!, client: '' },
        CUT[2]!,
        { ...CUT[1]! },
      ]),
    )
    expect(done.status).toBe(0)
    const lines = done.stderr.trim().split('\n')
    expect(lines.map((line) => /^Row (\d+), column (\w+): /.exec(line)?.slice(1))).toEqual([
      ['3', 'equation'],
      ['4', 'thigh_mm_2'],
      ['5', 'chest_mm_1'],
      ['6', 'date'],
      ['7', 'sex'],
      ['8', 'client'],
      ['10', 'date'],
    ])
    expect(lines[2]).toContain('enter 2 to 70. Got 400.')
    expect([...new Set(done.rows.map(({ date }) => date))]).toEqual([CUT[0]!.date, CUT[2]!.date])
  })

  test('without a column that every row needs nothing is judged', () => {
    const done = judge('client,sex\nAnn,female\n')
    expect([done.status, done.stdout]).toEqual([2, ''])
    expect(done.stderr).toContain('Column date: enter a header row that names it.')
  })
})

/* A woman of seven uneven folds, invented for testing; the second round is read half a millimetre apart. */
const UNEVEN = [9, 11, 17, 13.5, 21, 16, 26]
const uneven = (week: number, more: Row = {}): Row =>
  sheet(week, 0, 62, {
    ...Object.fromEntries(
      SEVEN_FOLDS.flatMap((site, i) =>
        [1, 2].map((trial) => [`${site}_mm_${trial}`, UNEVEN[i]! - (trial === 2 ? 0.5 : 0)]),
      ),
    ),
    ...more,
  })

describe('oak check', () => {
  test('a row for each reading that was meant otherwise; a swap names both sites', () => {
    const slips = { abdominal_mm_2: 205, suprailiac_mm_1: 26, thigh_mm_1: 16 }
    const done = oak(
      'check',
      csv([uneven(0), uneven(4, slips), uneven(8, { chest_mm_1: 9.5, triceps_mm_1: 16 })]),
    )
    expect([done.status, done.stderr]).toEqual([0, ''])
    expect(done.columns).toEqual([...CHECK_COLUMNS])
    const line = (finding: string, site: string, trial: number, typed: number, meant: number) => ({
      ...{ client: 'Ann', date: addDays('2030-01-07', 28), finding, site, trial: String(trial) },
      ...{ typed: String(typed), suggested: String(meant), second_suggestion: '' },
    })
    // The sheet after it is compared with what was meant, and is in order.
    expect(done.rows).toEqual([
      line('decimal', 'abdominal', 2, 205, 20.5),
      line('swap', 'suprailiac thigh', 1, 26, 16),
      line('swap', 'suprailiac thigh', 1, 16, 26),
    ])
  })

  test('pounds for kilograms are a body mass to look at, in a weigh-in too', () => {
    const done = oak('check', csv([uneven(0), weighIn(2, 62.4, 1), weighIn(4, 136.7, 1)]))
    expect(done.rows).toEqual([
      {
        ...{ client: 'Ann', date: addDays('2030-01-07', 28), finding: 'mass', site: 'mass' },
        ...{ trial: '', typed: '136.7', suggested: '62.006', second_suggestion: '' },
      },
    ])
  })

  test('a ten left out, an odd trial and a site measured twice are told apart', () => {
    const slips = { abdominal_mm_2: 10, subscapular_mm_1: 33, subscapular_mm_2: 33.5 }
    const twice = { thigh_mm_1: 15.5, thigh_mm_2: 15 }
    const done = oak('check', csv([uneven(0), uneven(4, slips), uneven(8, twice)]))
    const rows = done.rows.map((row) => [row.finding, row.site, row.trial, row.suggested])
    expect(rows).toContainEqual(['ten', 'abdominal', '2', '20'])
    expect(rows).toContainEqual(['repeated-site', 'thigh', '1', ''])
  })

  test('a value that cannot be is a finding there and no refusal', () => {
    const done = oak('check', csv([uneven(0), uneven(4, { chest_mm_1: 0.9 })]))
    expect(done.stderr).toBe('')
    expect(done.rows).toMatchObject([
      { finding: 'decimal', site: 'chest', trial: '1', typed: '0.9', suggested: '9' },
    ])
  })
})

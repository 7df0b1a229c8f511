import { execFileSync, spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import Papa from 'papaparse'
import { afterAll, describe, expect, test } from 'vitest'
import { BATCH_COLUMNS, estimate, estimateRow } from '#core'

const root = fileURLToPath(new URL('../..', import.meta.url))
const folder = mkdtempSync(join(tmpdir(), 'oak-pinch-batch-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))

/** Runs the command on a file of this text. */
function run(text: string) {
  const file = join(folder, 'readings.csv')
  writeFileSync(file, text)
  const done = spawnSync('npm', ['run', '-s', 'estimate', '--', file], {
    cwd: root,
    encoding: 'utf8',
  })
  const rows = Papa.parse<Record<string, string>>(done.stdout, {
    header: true,
    skipEmptyLines: true,
  })
  return { status: done.status, columns: rows.meta.fields, rows: rows.data }
}

const woman = {
  id: 'w1',
  sex: 'female',
  age_years: '34',
  mass_kg: '54.88467677',
  equation: 'jackson-pollock-7',
  chest_mm: '4',
  abdominal_mm: '5',
  thigh_mm: '12',
  triceps_mm: '12',
  subscapular_mm: '6',
  suprailiac_mm: '4',
  midaxillary_mm: '4',
}

describe('a row', () => {
  test('by name gives the unrounded estimate', () => {
    const [row] = estimateRow(woman)
    const folds = {
      chest: 4,
      abdominal: 5,
      thigh: 12,
      triceps: 12,
      subscapular: 6,
      suprailiac: 4,
      midaxillary: 4,
    }
    const expected = estimate(
      'jackson-pollock-7',
      { sex: 'female', ageYears: 34, massKg: 54.88467677 },
      folds,
    )
    expect(row).toMatchObject({
      id: 'w1',
      fat_percent: expected.fatPercent,
      density: expected.density,
      error: '',
    })
  })

  test('without a name gives all that its inputs allow', () => {
    const ids = estimateRow({ ...woman, equation: '' }).map((r) => r.equation)
    expect(ids).toContain('jackson-pollock-7')
    expect(ids).toContain('jackson-pollock-3')
    expect(ids).not.toContain('durnin-womersley-4')
  })

  test('mixes standards only where the equation does', () => {
    const four = { ...woman, biceps_mm: '4', iliac_crest_mm: '9', equation: 'durnin-womersley-4' }
    expect(estimateRow(four)[0]).toMatchObject({ sum_mm: 31, error: '' })
    expect(estimateRow({ ...woman, standard: 'int' })[0]!.error).toMatch(
      /standard of triceps: got “int”. Accepted: us/,
    )
  })

  test.each([
    [{ sex: 'f' }, /sex: got “f”. Accepted: male or female/],
    [{ age_years: '' }, /age_years: is missing/],
    [{ thigh_mm: 'twelve' }, /thigh_mm: got “twelve”/],
    [{ thigh_mm: '' }, /Thigh: is missing/],
    [{ abdominal_mm: '195' }, /Abdominal: got 195/],
    [{ standard: 'dw' }, /standard: got “dw”. Accepted: us or int/],
    [{ equation: 'nope' }, /Equation: got “nope”/],
    [{ age_years: '12' }, /age: got 12. Accepted: 18 years and over/],
  ])('that is bad says why: %o', (change, words) => {
    const [row] = estimateRow({ ...woman, ...change })
    expect(row!.error).toMatch(words)
    expect(row!.fat_percent).toBe('')
  })
})

describe('the command', () => {
  const header = Object.keys(woman)
  const line = (row: Record<string, string>, delimiter = ',') =>
    header.map((c) => row[c] ?? '').join(delimiter)

  test('goes on past a bad row and ends with a status that says so', () => {
    const { status, columns, rows } = run(
      [header.join(','), line({ ...woman, id: 'a', sex: 'x' }), line({ ...woman, id: 'b' })].join(
        '\n',
      ),
    )
    expect(columns).toEqual([...BATCH_COLUMNS])
    expect(rows.map((r) => [r.id, r.error !== ''])).toEqual([
      ['a', true],
      ['b', false],
    ])
    expect(status).toBe(1)
  }, 30_000)

  test('reads what spreadsheets write: semicolons, decimal commas, a byte-order mark', () => {
    const comma = Object.fromEntries(
      Object.entries(woman).map(([k, v]) => [k, v.replace('.', ',')]),
    )
    const { status, rows } = run(`\uFEFF${header.join(';')}\r\n${line(comma, ';')}\r\n`)
    expect(Number(rows[0]!.fat_percent)).toBeCloseTo(11.84, 2)
    expect(status).toBe(0)
  }, 30_000)

  test('streams: three hundred thousand rows in a heap of 96 MB', () => {
    const file = join(folder, 'long.csv')
    const body = `${line(woman)}\n`.repeat(300_000)
    writeFileSync(file, `${header.join(',')}\n${body}`)
    const output = execFileSync('node', ['--max-old-space-size=96', 'scripts/estimate.mjs', file], {
      cwd: root,
      maxBuffer: 1 << 30,
    })
    expect(output.toString().split('\n').length).toBe(300_002)
  }, 90_000)
})

import { execFileSync, spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import Papa from 'papaparse'
import { afterAll, describe, expect, test } from 'vitest'
import { BATCH_COLUMNS, EQUATIONS } from '#core'
import { woman } from '../support/woman-row'

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

describe('the command line', () => {
  const oak = (...args: string[]) =>
    spawnSync('node', ['scripts/oak.mjs', ...args], { cwd: root, encoding: 'utf8' })

  test('reads what a scale sent, and what a study says', () => {
    const sent = oak('packet', '2a9d', '00', 'B0', '36')
    expect([sent.status, JSON.parse(sent.stdout)]).toMatchObject([0, { ok: true, massKg: 70 }])
    for (const args of [['2a9d'], ['2a98', '00'], ['2a9d', 'x'], ['2a9c', '00']]) {
      const refused = oak('packet', ...args)
      expect([refused.status, refused.stdout], args.join(' ')).toEqual([2, ''])
      expect(refused.stderr).toMatch(/Accepted: |enter at least 2 bytes. Got 1/)
    }
    const file = join(folder, 'study.csv')
    const rows = ['1,triceps,Ann,12,13', '2,triceps,Ann,20,20', '3,triceps,Ann,,20']
    writeFileSync(file, ['subject,site,tester,trial_1,trial_2', ...rows].join('\n'))
    const study = oak('study', file)
    expect(study.stderr).toMatch(/^Row 4, column trial_1: /)
    const [head, ann, ...more] = study.stdout.trim().split('\r\n')
    expect(head).toBe('site,tester,pairs,tem,tem_percent,icc,bias,loa_low,loa_high')
    expect(ann).toMatch(/^triceps,Ann,2,0\.5,/)
    expect([study.status, more]).toEqual([1, []])
  })

  test('lists every equation with what it wants, as the registry has it', () => {
    const { status, stderr, stdout } = oak('equations', '--json')
    expect([status, stderr]).toEqual([0, ''])
    const forms = JSON.parse(stdout) as { id: string; sex: string; inputs: { id: string }[] }[]
    expect(forms.map(({ id, sex }) => `${id} ${sex}`)).toEqual(
      EQUATIONS.flatMap(({ id, variants }) => variants.map(({ sex }) => `${id} ${sex}`)),
    )
    const boy = forms.find(({ id, sex }) => id === 'slaughter-2' && sex === 'male')
    expect(boy).toMatchObject({
      ...{ ages: { from: 8, to: 17 }, madeOn: 'youth', output: { of: 'fat', unit: '%' } },
      inputs: [
        { id: 'triceps', unit: 'mm', standard: 'us' },
        { id: 'subscapular', unit: 'mm', standard: 'us' },
        { id: 'puberty', unit: null, accepted: ['before', 'in', 'after'] },
        { id: 'group_term', unit: null, accepted: ['black', 'asian'], optional: true },
      ],
      error: { value: 3.8, unit: 'points of fat %' },
    })
    const refused = oak('equations', 'all')
    expect([refused.status, refused.stdout]).toEqual([2, ''])
  })

  test('works out each form from a row of what it wants, and the others not', () => {
    const header =
      'id,equation,sex,age_years,height_cm,mass_kg,puberty,standard,triceps_mm,subscapular_mm'
    const rows = [
      'a,slaughter-2,male,13,150,45,in,,11,9',
      'b,slaughter-2,male,13,150,45,,,11,9',
      'c,slaughter-2,male,13,150,45,soon,,11,9',
      'd,boileau-2 deurenberg-bmi-youth,male,12,150,45,,,11,9',
    ]
    const file = join(folder, 'youth.csv')
    writeFileSync(file, [header, ...rows].join('\n'))
    const lines = oak('estimate', file).stdout.trim().split('\r\n').slice(1)
    // 1.21 x 20 - 0.008 x 400 - 3.4; 1.35 x 20 - 0.012 x 400 - 4.4; 1.51 x 20 - 0.7 x 12 - 3.6 + 1.4.
    expect(
      lines.map((line) => line.split(',')).map((cells) => [cells[0], Number(cells[5])]),
    ).toEqual([
      ...[
        ['a', expect.closeTo(17.6, 9)],
        ['b', 0],
        ['c', 0],
      ],
      ...[
        ['d', expect.closeTo(17.8, 9)],
        ['d', expect.closeTo(19.6, 9)],
      ],
    ])
    expect(lines[1]).toMatch(/stage of puberty/)
    expect(lines[2]).toMatch(/before, in or after/)
  })

  test('says what it can do: asked on standard output, otherwise on standard error', () => {
    const asked = oak('--help')
    expect([asked.status, asked.stderr]).toEqual([0, ''])
    expect(asked.stdout).toMatch(/Usage: .*VERB[^]*estimate/)
    const bare = oak()
    expect([bare.status, bare.stdout, bare.stderr]).toEqual([2, '', asked.stdout])
    const verb = oak('estimate', '--help')
    expect([verb.status, verb.stderr]).toEqual([0, ''])
    expect(verb.stdout).toMatch(/oak -- estimate FILE/)
  })

  test.each([
    [
      ['constructor'],
      'Verb: got "constructor". Accepted: backup, check, equations, estimate, export, import, judge, message, packet, password, plan, restore, study.',
    ],
    [['estimate'], 'File: is missing. Accepted: a CSV file, or -.'],
    [['estimate', 'a', 'b'], 'File: got 2. Accepted: one.'],
    [['estimate', 'none.csv'], 'File: got "none.csv", there is no such file.'],
    [['estimate', 'core'], 'The file could not be read: EISDIR'],
  ])('%j is refused in words, with nothing on standard output', (args, words) => {
    const { status, stdout, stderr } = oak(...args)
    expect(stderr.startsWith(words), stderr).toBe(true)
    expect([status, stdout]).toEqual([2, ''])
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
  })

  test('reads what spreadsheets write: semicolons, decimal commas, a byte-order mark', () => {
    const comma = Object.fromEntries(
      Object.entries(woman).map(([k, v]) => [k, v.replace('.', ',')]),
    )
    const { status, rows } = run(`\uFEFF${header.join(';')}\r\n${line(comma, ';')}\r\n`)
    expect(Number(rows[0]!.fat_percent)).toBeCloseTo(11.84, 2)
    expect(status).toBe(0)
  })

  test('streams: three hundred thousand rows in a heap of 96 MB', () => {
    const file = join(folder, 'long.csv')
    const body = `${line(woman)}\n`.repeat(300_000)
    writeFileSync(file, `${header.join(',')}\n${body}`)
    const output = execFileSync(
      'node',
      ['--max-old-space-size=96', 'scripts/oak.mjs', 'estimate', file],
      {
        cwd: root,
        maxBuffer: 1 << 30,
      },
    )
    expect(output.toString().split('\n').length).toBe(300_002)
  })
})

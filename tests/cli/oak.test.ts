import { execFileSync, spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import Papa from 'papaparse'
import { afterAll, describe, expect, test } from 'vitest'
import { BATCH_COLUMNS } from '#core'
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
      'Verb: got "constructor". Accepted: backup, check, estimate, export, import, judge, message, packet, password, plan, restore, study.',
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

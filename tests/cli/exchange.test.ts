import { spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { afterAll, expect, test } from 'vitest'

const root = fileURLToPath(new URL('../..', import.meta.url))
const folder = mkdtempSync(join(tmpdir(), 'oak-pinch-exchange-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))

function oak(...args: string[]) {
  const done = spawnSync(
    'npm',
    ['run', '-s', 'oak', '--', ...args, '--data', join(folder, 'record')],
    {
      ...{ cwd: root, encoding: 'utf8' },
    },
  )
  return { code: done.status, out: done.stdout, said: done.stderr }
}

function file(name: string, text: string | Uint8Array): string {
  const path = join(folder, name)
  writeFileSync(path, text)
  return path
}

/* Dates of days and months that cannot be exchanged, pounds, a column nobody knows, a row of totals. */
const SHEET = `Clients 2024,,,,,,
Name,Sex,Test date,Weight (lbs),Waist,Thigh sf,Mood
Ann Example,F,3/14/2024,140,28.5,22,fine
Ann Example,F,4/18/2024,139,28,n/a,fine
Bo Sample,M,3/15/2024,180,34,14.5*,
Average,,,153,30,18,`

test('a sheet goes in, is known again, and comes out', () => {
  const path = file('clients.csv', SHEET)
  const args = [path, '--json', '--locale', 'en-US']
  const dry = JSON.parse(oak('import', ...args, '--dry-run').out)
  const { code, out } = oak('import', ...args)
  expect(code).toBe(0)
  const report = JSON.parse(out)
  expect(report).toMatchObject({ clients: 2, checkIns: 3, readings: 8, weighIns: 0, equations: [] })
  expect({ ...dry, people: [], questions: [] }).toEqual({ ...report, people: [], questions: [] })
  expect(report.skipped).toMatchObject([{ row: 6 }])
  expect(report.questions.map(({ id }: { id: string }) => id)).toContain('column:!6')
  expect(JSON.parse(oak('import', ...args).out)).toMatchObject({
    clients: 0,
    checkIns: 0,
    readings: 0,
  })

  const taken = join(folder, 'out.csv')
  expect(oak('export', taken, '--client', 'bo sample').code).toBe(0)
  const [header, ...rows] = readFileSync(taken, 'utf8').trim().split('\r\n')
  expect(rows).toHaveLength(1)
  const row = Object.fromEntries(
    header!.split(',').map((name, i) => [name, rows[0]!.split(',')[i]]),
  )
  expect(row).toMatchObject({
    client: 'Bo Sample',
    date: '2024-03-15',
    thigh_mm_1: '14.5',
    waist_cm_1: '86.36',
  })
  expect(Number(row.mass_kg)).toBeCloseTo(81.65, 2)
  expect(oak('export', join(folder, 'out.doc')).said).toContain('.long.csv')
})

test('what is no record is refused in words', () => {
  const refused = (name: string, text: string | Uint8Array) => {
    const { code, said } = oak('import', file(name, text))
    expect(code).toBe(2)
    return said
  }
  expect(refused('page.html', '<html><table><tr><td>1</td></tr></table></html>')).toContain(
    'a web page',
  )
  expect(refused('empty.csv', '')).toContain('an empty file')
  expect(refused('cut.xlsx', new Uint8Array([0x50, 0x4b, 3, 4, 0, 0]))).toMatch(
    /damaged|no workbook/,
  )
})

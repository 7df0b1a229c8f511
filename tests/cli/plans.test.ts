import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import Papa from 'papaparse'
import { afterAll, expect, test } from 'vitest'
import type { PLAN_COLUMNS } from '#core'

const root = fileURLToPath(new URL('../..', import.meta.url))
const folder = mkdtempSync(join(tmpdir(), 'oak-pinch-plans-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))

const COLUMNS =
  'id,sex,age,height_cm,mass_kg,fat_percent,goal,goal_value,by,pace_percent,exercise_kcal,flags'
type Row = Record<(typeof PLAN_COLUMNS)[number], string>

function plan(lines: readonly string[], header = COLUMNS) {
  const file = join(folder, 'plans.csv')
  writeFileSync(file, [header, ...lines].join('\r\n'))
  const args = ['scripts/oak.mjs', 'plan', file, '--today', '2030-03-04']
  const { stdout, stderr, status } = spawnSync(process.execPath, args, { cwd: root })
  const { data } = Papa.parse<Row>(stdout.toString(), { header: true, skipEmptyLines: true })
  return { rows: data, err: stderr.toString(), status }
}

test('each case of the safety table, with its figures and rules', () => {
  const { rows, status } = plan([
    'a,male,35,178,78,28,fat_percent,20,,,,',
    'b,female,30,166,52,34,fat_percent,26,,,,',
    'c,female,30,166,58,22,fat_percent,19,,0.5,700,',
    'd,female,30,166,74,34,fat_percent,30,,,,breastfeeding_weeks:3',
    'e,female,30,166,74,34,fat_percent,30,,0.5,,breastfeeding_weeks:10 cleared',
    'f,male,28,178,76,10,fat_percent,5,2030-10-14,,,',
    'g,female,17,166,52,20,gain_lean_kg,2,,,,',
    'h,female,17,166,52,20,gain_lean_kg,2,,,,minor-guardian',
    'i,female,27,166,60,25,lose_kg,4,,1.5,,',
    'j,female,30,166,70,30,lose_kg,5,,,,pregnant cleared',
    'k,male,35,178,90,25,hold,,,,,',
    'l,female,30,166,46,9,fat_percent,8,,,,pregnant',
  ])
  expect(status).toBe(0)
  const of = Object.fromEntries(rows.map((row) => [row.id, row]))
  expect(rows.map(({ id, outcome }) => `${id} ${outcome}`)).toEqual([
    ...['a ok', 'b refused', 'c refused', 'd refused', 'e caution', 'f hold', 'g hold', 'h ok'],
    ...['i refused', 'j refused', 'k ok', 'l refused'],
  ])
  expect(of.a).toMatchObject({ target_mass_kg: '70.2', target_fat_percent: '20' })
  expect(Number(of.a!.kcal)).toBeGreaterThan(1500)
  // Of what is refused the nearest that is allowed is shown: just over a BMI of 18.5.
  expect(of.b).toMatchObject({ target_mass_kg: '51', rules: 'bmi-target' })
  expect(of.c!.rules).toBe('energy-availability')
  // A loss at 32 weeks to the day is 32 weeks long.
  expect(of.f).toMatchObject({ weeks: '32' })
  expect(of.f!.rules.split(' ')).toContain('contest-lean')
  expect(of.h).toMatchObject({ target_mass_kg: '54', target_fat_percent: '19.26' })
  expect(of.i!.rules).toBe('pace')
  expect(of.k).toMatchObject({ target_mass_kg: '90', weeks: '0', rules: '' })
  expect(of.l).toMatchObject({ target_mass_kg: '', kcal: '' })
})

test('rows that make no sense are named by row and column, and the others are planned', () => {
  const { rows, err, status } = plan([
    'a,male,35,178,80,20,mass,50,,,,',
    'b,male,35,178,80,20,lose_kg,abc,,,,',
    'c,male,35,178,80,20,fly,1,,,,',
    'd,male,35,178,8000,20,lose_kg,5,,,,',
    'e,male,35,178,80,20,lose_kg,5,2030-02-30,,,',
    'f,male,35,178,80,20,lose_kg,5,2030-01-01,,,',
    'g,male,35,178,80,20,lose_kg,5,,,,flying',
    'h,male,35,178,80,20,lose_kg,5,,0,,',
    ',male,35,178,80,20,lose_kg,5,,,,',
    'k,male,35,178,80,20,lose_kg,5,,,,',
  ])
  expect(status).toBe(0)
  expect(rows.map(({ id }) => id)).toEqual(['k'])
  const named = err.split('\n').map((line) => /^Row (\d+), column (\w+): /.exec(line)?.slice(1, 3))
  expect(named.filter(Boolean)).toEqual([
    ...[
      ['2', 'goal_value'],
      ['3', 'goal_value'],
      ['4', 'goal'],
      ['5', 'mass_kg'],
      ['6', 'by'],
    ],
    ...[
      ['7', 'by'],
      ['8', 'flags'],
      ['9', 'pace_percent'],
      ['10', 'id'],
    ],
  ])
  expect(err).not.toMatch(/NaN/)
  const none = plan(['a,male'], 'id,sex')
  expect(none.status).toBe(2)
  expect(none.err).toMatch(/mass_kg/)
})

import { execFileSync, spawnSync } from 'node:child_process'
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { afterAll, beforeAll, expect, test } from 'vitest'

/*
 * The core as a package of its own: packed, unpacked where nothing else of the application is, and used. What it
 * depends on is found above it in this project, so that the test needs no network.
 */

const root = fileURLToPath(new URL('../..', import.meta.url))
const cache = join(root, 'node_modules', '.cache')
mkdirSync(cache, { recursive: true })
const project = mkdtempSync(join(cache, 'empty-project-'))
const packed = join(project, 'node_modules', 'oak-pinch-core')
const run = (command: string, ...args: string[]) =>
  execFileSync(command, args, { cwd: project, encoding: 'utf8' })

beforeAll(() => {
  execFileSync('npm', ['pack', '--silent', '--pack-destination', project], {
    cwd: join(root, 'core'),
  })
  mkdirSync(packed, { recursive: true })
  run('tar', 'xzf', 'oak-pinch-core-0.1.0.tgz', '-C', packed, '--strip-components=1')
  writeFileSync(join(project, 'package.json'), '{ "type": "module" }')
})
afterAll(() => rmSync(project, { recursive: true, force: true }))

test('names just what it imports, at the versions of the application', () => {
  const read = (file: string) => JSON.parse(readFileSync(file, 'utf8'))
  const { dependencies } = read(join(packed, 'package.json')) as {
    dependencies: Record<string, string>
  }
  const script = readFileSync(join(packed, 'dist', 'index.js'), 'utf8')
  const imported = [...script.matchAll(/from "([^"]+)"/g)].map(([, name]) => name)
  expect(Object.keys(dependencies).sort()).toEqual([...new Set(imported)].sort())
  expect(read(join(root, 'package.json')).dependencies).toMatchObject(dependencies)
})

const SCRIPT = `import { estimate, lookAtRecord, planFrom, type Measured } from 'oak-pinch-core'
const her = { sex: 'female', birthDate: '1990-06-15', heightCm: 168 } as const
const taken = (day: string, mm: number, kg: number): Measured => ({ protocolId: 'three-fold', conversion: 'siri', measuredOn: day,
  setup: { skill: 'trained' }, testerId: 'a', caliperId: 'c', readings: [...(['triceps', 'suprailiac', 'thigh'] as const).map((site, i) => ({
    id: site, kind: 'skinfold' as const, site, standard: 'us' as const, trial: 1, value: mm + i, takenAt: day, supersedes: null })),
  { id: 'kg', kind: 'mass', site: null, standard: null, trial: 1, value: kg, takenAt: day, supersedes: null }] })
const now = estimate('jackson-pollock-3', { sex: 'female', ageYears: 36, massKg: 62 }, { triceps: 14, suprailiac: 15, thigh: 16 })
const look = lookAtRecord({ person: her, checkIns: [taken('2026-01-05', 20, 66), taken('2026-07-06', 14, 62)] })!
const plan = planFrom({ goal: { kind: 'mass', value: 60 }, wished: true, pace: { unit: 'kg', value: 0.3 }, form: 'lean', activity: 1.5, peakWeek: false, stopped: false }, { sex: 'female', ageYears: 36, heightCm: 168, fatKg: now.fatMassKg!, leanKg: now.leanMassKg!, standardError: now.standardError }, '2026-07-06')
console.log(JSON.stringify({ fat: now.fatPercent, sum: look.horizons.first!.changes.sum, weeks: plan.timeline?.ok && plan.timeline.value.weeks }))
`

test('ten lines estimate, judge and plan, and their types are known', () => {
  writeFileSync(join(project, 'use.ts'), SCRIPT)
  const compilerOptions = { strict: true, module: 'nodenext', target: 'es2023', types: [] }
  writeFileSync(
    join(project, 'tsconfig.json'),
    JSON.stringify({ compilerOptions, files: ['use.ts'] }),
  )
  // What the compiler says goes to standard output.
  const compiled = spawnSync('node', [join(root, 'node_modules/typescript/bin/tsc')], {
    cwd: project,
    encoding: 'utf8',
  })
  expect(compiled.stdout).toBe('')
  const said = JSON.parse(run('node', 'use.js'))
  // Jackson AS, Pollock ML, Ward A. Med Sci Sports Exerc 1980;12:175-182, by hand: BD of 45 mm at 36 years, Siri.
  const density = 1.0994921 - 0.0009929 * 45 + 0.0000023 * 45 ** 2 - 0.0001392 * 36
  expect(said.fat).toBeCloseTo(495 / density - 450, 9)
  // 18 mm less was read; the model leaves a little to error.
  expect(said.sum.change).toBeLessThan(-16)
  expect(said.sum.verdict).toBe('clear')
  // 2 kg at 0.3 kg a week.
  expect(said.weeks).toBeCloseTo(2 / 0.3, 0)
})

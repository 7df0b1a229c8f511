/**
 * `npm run bench -- record`: one person's record of 60 check-ins and 300 weigh-ins (as weekly means) learnt and judged,
 * against the same assumptions as one normal distribution of all numbers, which is how it would be done at first. One
 * run, ratios.
 */
import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { randomLcg, randomNormal } from 'd3-random'
import {
  addDays,
  FAT_MOVES,
  headlineOf,
  LEAN_MOVES,
  RecordModel,
  SEVEN_FOLDS,
  USUAL_FIGURES,
  type Visit,
} from '../core/index'
import { directly } from '../tests/core/direct-model'

const CHECK_INS = 60
const WEEKS_WEIGHED = Math.round(300 / 7)
const ROUNDS = 40
const sites = SEVEN_FOLDS.map((site) => ({ site, standard: 'us' as const }))
const lines = [{ quantity: 'sum' as const, sites }]

const normal = randomNormal.source(randomLcg(0.6))(0, 1)
const visits: Visit[] = Array.from({ length: CHECK_INS * 4 }, (_, week): Visit[] => {
  const checkIn = week % 4 === 0
  if (!checkIn && week >= WEEKS_WEIGHED + WEEKS_WEIGHED / 3) return []
  const massKg = 78 - 0.03 * week + 0.7 * normal()
  return [
    {
      date: addDays('2026-01-05', 7 * week),
      subject: { sex: 'female', ageYears: 34, massKg },
      massDays: checkIn ? 1 : 7,
      measured: checkIn
        ? SEVEN_FOLDS.map((site) => ({ site, standard: 'us', value: 20 + normal() - 0.01 * week }))
        : [],
      variance: () => 1,
      pair: 'A',
      tester: 'A',
    },
  ]
}).flat()

function byFilter() {
  const model = new RecordModel({ pairs: ['A'], testers: ['A'] })
  visits.forEach((visit, i) => {
    const newest = i === visits.length - 1
    model.learn(visit, { equationId: 'jackson-pollock-7', lines }, newest)
    if (!newest) model.leave()
  })
  return headlineOf(model.look())
}

/** The same number of fits of the same size, each with one change; a plain way, without what the equation costs. */
function byDistribution() {
  const rows = visits.flatMap(({ date, measured, subject }) => {
    const week = (Date.parse(date) - Date.parse('2026-01-05')) / (7 * 86_400_000)
    const mass = { levels: [1, 1], drift: 0, pair: 0, perBias: 0, value: subject.massKg! }
    const folds = { levels: [0.75, -0.25], drift: 0.78, pair: 0, perBias: 0, value: -3 }
    return [
      { ...mass, week, variance: 0.4, kind: 'scale' as const },
      ...(measured.length ? [{ ...folds, week, variance: 0.8, kind: 'method' as const }] : []),
    ]
  })
  const levels = [
    { mean: 20, sd: 200 },
    { mean: 58, sd: 100 },
  ]
  const rest = { levels, driftVariance: USUAL_FIGURES.driftPoints ** 2 / 10, biasSd: 0.05 }
  for (let fit = 0; fit < FITS; fit++) {
    const moves = [FAT_MOVES[fit % 2]!, LEAN_MOVES[fit % 2]!]
    directly({ ...rest, rows, phases: [{ from: 0, moves }] }, 0, 236)
  }
}
/** Two widths of two parts, each of four scatters, and the same where fat, lean or both stand still. */
const FITS = 16 + 8 + 8 + 4

/** The best of some rounds, ms. */
function best(run: () => unknown): number {
  const times = Array.from({ length: ROUNDS }, () => {
    const start = performance.now()
    run()
    return performance.now() - start
  })
  return Math.min(...times)
}

function measure() {
  const filter = best(byFilter)
  const direct = best(byDistribution)
  console.log(`${visits.length} days, ${CHECK_INS} of them check-ins; judged with its headline`)
  console.log(`by the filter ${filter.toFixed(1)} ms, asked for at most 20`)
  console.log(`by one distribution of all numbers: ${(direct / filter).toFixed(1)} times as long`)
}

/* As the application is: bundled. What runs TypeScript as it stands wraps every function, which is dear here. */
if (process.env.BUNDLED) {
  measure()
} else {
  const { buildSync } = await import('esbuild')
  const folder = mkdtempSync(join(tmpdir(), 'oak-pinch-bench-'))
  const outfile = join(folder, 'record.mjs')
  const alias = { '#core': fileURLToPath(new URL('../core/index.ts', import.meta.url)) }
  const entryPoints = [fileURLToPath(import.meta.url)]
  buildSync({
    entryPoints,
    outfile,
    alias,
    bundle: true,
    platform: 'node',
    format: 'esm',
    external: ['esbuild'],
  })
  spawnSync('node', [outfile], { stdio: 'inherit', env: { ...process.env, BUNDLED: '1' } })
  rmSync(folder, { recursive: true })
}

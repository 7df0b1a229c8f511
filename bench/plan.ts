/**
 * `npm run bench -- plan`: 10,000 paths of 52 weeks of the two-compartment simulation with their bands, against a bare
 * loop of the same arithmetic that keeps nothing and sorts nothing.
 */
import { randomLcg, randomNormal } from 'd3-random'
import { errorFunction } from 'simple-statistics'
import { monteCarloAtOnce, type StartingPoint } from '../core/index'

const PATHS = 10_000
const WEEKS = 52
const ROUNDS = 7
const start: StartingPoint = {
  ...{ sex: 'male', ageYears: 35, heightCm: 180, fatKg: 20, leanKg: 60, standardError: 3.5 },
}
const regime = { intakeKcal: 2000, activity: 1.55, form: 'lean' } as const
const doubt = { fatPoints: 3.5, activity: 0.08, adherence: 0.07, forbes: [0, 1] } as const
const source = () => randomNormal.source(randomLcg(0.42))(0, 1)

/** The mean body mass at the end, so that nothing of the loop can be left out. */
function bare(): number {
  const normal = source()
  let sum = 0
  for (let path = 0; path < PATHS; path++) {
    let fat = Math.max(0.5, 20 + ((normal() * 3.5) / 100) * 80)
    let lean = 80 - fat
    const factor = 1 + (normal() * 0.08) / 1.55
    const intake = 2000 * (1 + normal() * 0.07)
    const share = 0.5 * (1 + errorFunction(normal() / Math.SQRT2))
    for (let day = 0; day < 7 * WEEKS; day++) {
      const balance = intake - factor * 1.55 * (370 + 21.6 * lean)
      const leanPerFat = (share * 10.4) / fat
      const change = balance / (9441 + 1816 * leanPerFat)
      fat += change
      lean += leanPerFat * change
      if (fat < 0.5) fat = 0.5
    }
    sum += fat + lean
  }
  return sum / PATHS
}

function timed(run: () => unknown): number {
  const from = performance.now()
  run()
  return performance.now() - from
}

const bands = monteCarloAtOnce(start, regime, WEEKS, doubt, PATHS, source())
if (Math.abs(bands[WEEKS]!.mass[2] - bare()) > 0.5) throw new Error('The two disagree.')
const [ours, plain]: [number[], number[]] = [[], []]
for (let round = 0; round < ROUNDS; round++) {
  ours.push(timed(() => monteCarloAtOnce(start, regime, WEEKS, doubt, PATHS, source())))
  plain.push(timed(bare))
}
const [a, b] = [Math.min(...ours), Math.min(...plain)]
console.log(
  `10,000 paths of 52 weeks with bands against a bare loop: ${(a / b).toFixed(2)} times, ${a.toFixed(0)} ms and ${b.toFixed(0)} ms (at most 4 is asked for)`,
)

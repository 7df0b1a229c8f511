import { errorFunction, quantileSorted } from 'simple-statistics'
import { FAT_KCAL_PER_KG, LEAN_KCAL_PER_KG } from '../composition/tissue-energy'
import { type Breaks, isBreakWeek } from './breaks'
import { RESTING_FORMS, type RestingForm } from './energy'
import { FORBES_KG, type StartingPoint, massOfStart } from './goal'

const DAYS = 7
const LEAST_FAT_KG = 0.5

/** What somebody eats and does, the same every day but for the breaks, when it is what the body needs by then. */
export interface Regime {
  intakeKcal: number
  activity: number
  form: RestingForm
  breaks?: Breaks
}

export interface WeekOfBody {
  week: number
  fatKg: number
  leanKg: number
}

/** Resting need as a + b lean: what falls with the body day by day. The mass form is carried by its slope in mass. */
function needOf(start: StartingPoint, { form, activity }: Regime) {
  const at = (fatKg: number, leanKg: number) =>
    activity * RESTING_FORMS[form].kcal({ ...start, fatKg, leanKg })
  const { fatKg, leanKg } = start
  const here = at(fatKg, leanKg)
  const perFat = at(fatKg + 1, leanKg) - here
  const perLean = at(fatKg, leanKg + 1) - here
  return { base: here - perFat * fatKg - perLean * leanKg, perFat, perLean }
}

/**
 * Fat and lean mass week by week by two compartments: energy balance is paid from fat and lean by their energy
 * densities, shared by the Forbes partition or a part of it, and need falls with the body.
 * Hall KD, Br J Nutr 2007;97:1059-1063 and Int J Obes 2008;32:573-576; Forbes GB, Nutr Rev 1987;45:225-231 (from memory).
 *
 * @param intake kcal a day of each week
 * @param forbes 1 for the whole of the relation, 0 where lean is held
 * @param out filled with fat and lean mass at the end of each week, two numbers a week from week 0
 */
function simulatePath(
  [fatKg, leanKg]: readonly [number, number],
  weeks: number,
  { base, perFat, perLean }: ReturnType<typeof needOf>,
  intake: Float64Array,
  forbes: number,
  out: Float64Array,
) {
  let [fat, lean] = [fatKg, leanKg]
  out[0] = fat
  out[1] = lean
  for (let week = 1; week <= weeks; week++) {
    const eaten = intake[week - 1]!
    for (let day = 0; day < DAYS; day++) {
      const balance = eaten - (base + perFat * fat + perLean * lean)
      const leanPerFat = (forbes * FORBES_KG) / fat
      const change = balance / (FAT_KCAL_PER_KG + LEAN_KCAL_PER_KG * leanPerFat)
      fat += change
      lean += leanPerFat * change
      if (fat < LEAST_FAT_KG) fat = LEAST_FAT_KG
    }
    out[2 * week] = fat
    out[2 * week + 1] = lean
  }
}

/** What is eaten in each week: in a break what the body of the expected path needs by then. */
function intakesOf(start: StartingPoint, regime: Regime, weeks: number): Float64Array {
  const intakes = new Float64Array(weeks).fill(regime.intakeKcal)
  const { breaks } = regime
  if (!breaks) return intakes
  const { base, perFat, perLean } = needOf(start, regime)
  const out = new Float64Array(4)
  let [fat, lean] = [start.fatKg, start.leanKg]
  for (let week = 0; week < weeks; week++) {
    if (isBreakWeek(week, breaks)) intakes[week] = base + perFat * fat + perLean * lean
    const one = { base, perFat, perLean }
    simulatePath([fat, lean], 1, one, intakes.subarray(week, week + 1), EXPECTED_SHARE, out)
    ;[fat, lean] = [out[2]!, out[3]!]
  }
  return intakes
}

/** Of the Forbes relation, on the expected path: half way between its two ends. */
const EXPECTED_SHARE = 0.5

/**
 * A path without chance.
 *
 * @param forbes 1 for the whole of the Forbes relation, 0 where lean is held
 */
export function simulate(
  start: StartingPoint,
  regime: Regime,
  weeks: number,
  forbes = 1,
): WeekOfBody[] {
  const out = new Float64Array(2 * (weeks + 1))
  const intakes = intakesOf(start, regime, weeks)
  const { fatKg, leanKg } = start
  simulatePath([fatKg, leanKg], weeks, needOf(start, regime), intakes, forbes, out)
  return Array.from({ length: weeks + 1 }, (_, week) => ({
    week,
    fatKg: out[2 * week]!,
    leanKg: out[2 * week + 1]!,
  }))
}

/** Mass by the static rule, which lets the deficit of the first day stand for ever. */
export function staticMass(massKg: number, deficitKcal: number, week: number, kcalPerKg: number) {
  return massKg - (deficitKcal * DAYS * week) / kcalPerKg
}

/** What is not known of a plan, as standard deviations. Judgement, no source. */
export interface Uncertainty {
  /** Points of fat % of the estimate. */
  fatPoints: number
  /** Of the activity factor. */
  activity: number
  /** Of the intake kept, as a share of the intake planned. */
  adherence: number
  /** The least and the most of the Forbes relation that lean follows fat by: 0 where it is held. */
  forbes: readonly [least: number, most: number]
}

export const USUAL_DOUBT: Omit<Uncertainty, 'fatPoints'> = {
  ...{ activity: 0.08, adherence: 0.07, forbes: [0, 1] },
}

/** Where 90 and 50 in 100 paths are at the end of a week. */
export interface BandOfWeek {
  week: number
  mass: Quantiles
  fat: Quantiles
  lean: Quantiles
}
export type Quantiles = [p5: number, p25: number, p50: number, p75: number, p95: number]
const SHARES = [0.05, 0.25, 0.5, 0.75, 0.95]

/** A number from 0 to 1, each as likely, from a normal one. */
const shareOf = (z: number) => 0.5 * (1 + errorFunction(z / Math.SQRT2))

const PATHS_A_STEP = 250

/**
 * Many paths of the two-compartment simulation over what is not known: the estimate, the activity, the intake kept, and
 * how much lean goes along with fat. It yields the share done after every few hundred paths, so that whoever runs it can
 * show it and stop it.
 *
 * @param normal a source of standard normal numbers
 * @returns the bands of every week, week 0 first
 */
export function* monteCarlo(
  start: StartingPoint,
  regime: Regime,
  weeks: number,
  doubt: Uncertainty,
  paths: number,
  normal: () => number,
): Generator<number, BandOfWeek[]> {
  const size = weeks + 1
  const mass = new Float64Array(size * paths)
  const fat = new Float64Array(size * paths)
  const lean = new Float64Array(size * paths)
  const intakes = intakesOf(start, regime, weeks)
  const kept = new Float64Array(weeks)
  const out = new Float64Array(2 * size)
  const total = massOfStart(start)
  const need = needOf(start, regime)
  for (let path = 0; path < paths; path++) {
    const fat0 = Math.max(LEAST_FAT_KG, start.fatKg + ((normal() * doubt.fatPoints) / 100) * total)
    const activity = 1 + (normal() * doubt.activity) / regime.activity
    const adherence = 1 + normal() * doubt.adherence
    for (let week = 0; week < weeks; week++) kept[week] = intakes[week]! * adherence
    const [least, most] = doubt.forbes
    const forbes = least + (most - least) * shareOf(normal())
    const own = {
      base: need.base * activity,
      perFat: need.perFat * activity,
      perLean: need.perLean * activity,
    }
    simulatePath([fat0, total - fat0], weeks, own, kept, forbes, out)
    for (let week = 0; week < size; week++) {
      const at = week * paths + path
      fat[at] = out[2 * week]!
      lean[at] = out[2 * week + 1]!
      mass[at] = out[2 * week]! + out[2 * week + 1]!
    }
    if (path % PATHS_A_STEP === PATHS_A_STEP - 1) yield (path + 1) / paths
  }
  const quantiles = (all: Float64Array, week: number) => {
    const sorted = all.subarray(week * paths, (week + 1) * paths).sort()
    return SHARES.map((share) => quantileSorted(sorted as unknown as number[], share)) as Quantiles
  }
  return Array.from({ length: size }, (_, week) => ({
    week,
    mass: quantiles(mass, week),
    fat: quantiles(fat, week),
    lean: quantiles(lean, week),
  }))
}

/** Runs it to the end at once. */
export function monteCarloAtOnce(...args: Parameters<typeof monteCarlo>): BandOfWeek[] {
  const run = monteCarlo(...args)
  for (;;) {
    const { done, value } = run.next()
    if (done) return value
  }
}

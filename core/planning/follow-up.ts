import type { Judgement } from '../change/judgement'
import { directionOf } from '../change/verdict'
import { Z95 } from '../measurement-error/site-error'
import { leanAtFat } from './goal'
import type { BandOfWeek, Quantiles } from './simulation'

export type PlanStanding = 'ahead' | 'on' | 'behind' | 'losing lean'

export interface FollowUp {
  week: number
  standing: PlanStanding
  words: string
  /** Fat mass that the plan expects now, kg: 5th, 50th and 95th of 100 paths. */
  expectedFat: [low: number, middle: number, high: number]
  fatKg: number
  /** Energy balance a day that fat and lean mass imply since the start, kcal, with its 95 % interval. */
  observedKcal: number
  observedInterval: [low: number, high: number]
  plannedKcal: number
}

/** Between two weeks of the bands. */
function at(bands: readonly BandOfWeek[], week: number, of: 'fat' | 'mass'): Quantiles {
  const low = bands[Math.min(bands.length - 1, Math.floor(week))]![of]
  const high = bands[Math.min(bands.length - 1, Math.ceil(week))]![of]
  const part = week - Math.floor(week)
  return low.map((v, i) => v + part * (high[i]! - v)) as Quantiles
}

/** Lean loss beyond what the Forbes relation expects, kg, from which it is called losing lean. Judgement. */
const LEAN_SLACK_KG = 0.5

/**
 * A check-in against the plan: where its fat mass is in the band of the plan, widened by the hand that measured, and
 * the energy balance that the change of fat and lean implies.
 *
 * @param change from the plan's start to now, judged
 * @param fatThenKg fat mass at the start of the plan
 * @param leanThenKg lean mass at the start
 * @param plannedKcal intake less need a day, negative for a deficit
 */
export function followUp(
  bands: readonly BandOfWeek[],
  change: Judgement,
  {
    fatThenKg,
    leanThenKg,
    plannedKcal,
  }: { fatThenKg: number; leanThenKg: number; plannedKcal: number },
): FollowUp | undefined {
  const { fatMass, leanMass } = change.quantities
  const { energy } = change
  const week = change.weeks
  if (!fatMass || !leanMass || !energy || week <= 0 || bands.length === 0) return undefined
  const [low, , middle, , high] = at(bands, week, 'fat')
  const setup = Z95 * fatMass.standardError
  // The path's own doubt and the hand's are independent: their widths add in squares.
  const below = Math.hypot(middle - low, setup)
  const above = Math.hypot(high - middle, setup)
  const fatKg = fatThenKg + fatMass.change
  const forbes =
    leanAtFat({ fatKg: fatThenKg, leanKg: leanThenKg }, Math.max(0.5, fatKg)) - leanThenKg
  const losingLean =
    directionOf(leanMass) === 'down' && leanMass.change < Math.min(0, forbes) - LEAN_SLACK_KG
  const losing = bands.at(-1)!.fat[2] < bands[0]!.fat[2]
  const under = fatKg < middle - below
  const over = fatKg > middle + above
  const standing: PlanStanding = losingLean
    ? 'losing lean'
    : under
      ? losing
        ? 'ahead'
        : 'behind'
      : over
        ? losing
          ? 'behind'
          : 'ahead'
        : 'on'
  const days = week * 7
  const observedKcal = energy.changeKcal / days
  const error = (Z95 * energy.standardError) / days
  return {
    ...{ week, standing, fatKg, observedKcal, plannedKcal },
    words: STANDING_WORDS[standing],
    expectedFat: [middle - below, middle, middle + above],
    observedInterval: [observedKcal - error, observedKcal + error],
  }
}

const STANDING_WORDS: Record<PlanStanding, string> = {
  ahead: 'Ahead of the plan.',
  on: 'On the plan.',
  behind: 'Behind the plan.',
  'losing lean': 'Losing lean: more than the plan has room for.',
}

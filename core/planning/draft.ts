import { attempt, type Outcome } from '../outcome'
import type { IsoDate } from '../units/dates'
import { energyPlan, STATIC_KCAL_PER_KG, type EnergyPlan, type RestingForm } from './energy'
import { massOfStart, targetsOf, type Goal, type StartingPoint, type Targets } from './goal'
import { checkedPace, gainBand, lossBand, type Pace, type PaceBand } from './pace'
import { simulate, staticMass } from './simulation'
import { timelineOf, type Timeline } from './timeline'

/** What a coach wishes, before it is a plan. */
export interface PlanDraft {
  goal: Goal
  /** False while no goal is typed yet. */
  wished: boolean
  pace: Pace
  form: RestingForm
  activity: number
  peakWeek: boolean
  /** A caution stands against it: no deficit and no surplus. */
  stopped: boolean
}

/** What follows from a draft; what cannot be computed yet is undefined, what is refused says why. */
export interface DraftedPlan {
  direction: 'loss' | 'gain'
  /** The coaching band of paces. */
  band: PaceBand
  targets?: Outcome<Targets>
  /** kg a week. */
  paceKg: Outcome<number>
  timeline?: Timeline
  energy?: Outcome<EnergyPlan>
  /** Weeks that are looked ahead, 4 to 52. */
  weeks: number
  /** Body mass by the static rule at the end of each week, kg. */
  statically: number[]
  /** Body mass at the end by two compartments and by the static rule, kg. */
  drift?: { two: number; rule: number }
}

const FEWEST_WEEKS = 4
const MOST_WEEKS = 52
const USUAL_WEEKS = 12

/**
 * Works out a draft: the body that the goal leads to, the pace against its band, the dates, the energy, and where two
 * compartments and the static rule end.
 *
 * @param start the body that it starts from
 * @param today the date that it is worked out on
 */
export function planFrom(draft: PlanDraft, start: StartingPoint, today: IsoDate): DraftedPlan {
  const { goal, pace, form, activity, peakWeek } = draft
  const targets = draft.wished ? attempt(() => targetsOf(goal, start)) : undefined
  const gains = targets?.ok && targets.value.constantLean.massKg > massOfStart(start)
  const direction = gains ? ('gain' as const) : ('loss' as const)
  const band = (direction === 'loss' ? lossBand : gainBand)(start)
  const paceKg = attempt(() => checkedPace(pace, start, direction))
  const timeline =
    targets?.ok && paceKg.ok ? timelineOf(goal, start, pace, today, { peakWeek }) : undefined
  const weeks = Math.min(
    MOST_WEEKS,
    Math.max(FEWEST_WEEKS, Math.ceil(timeline?.weeks ?? USUAL_WEEKS)),
  )
  const base = { direction, band, targets, paceKg, timeline, weeks }
  if (!paceKg.ok) return { ...base, statically: [] }
  const hold = timeline?.direction === 'hold' || draft.stopped
  const signedPace = hold ? 0 : (direction === 'loss' ? 1 : -1) * paceKg.value
  const energy = attempt(() => energyPlan(start, { form, activity, paceKg: signedPace }))
  if (!energy.ok) return { ...base, energy, statically: [] }
  const { intakeKcal, deficitKcal } = energy.value
  const statically = Array.from({ length: weeks + 1 }, (_, week) =>
    staticMass(massOfStart(start), deficitKcal, week, STATIC_KCAL_PER_KG),
  )
  const end = timeline && simulate(start, { intakeKcal, activity, form }, weeks).at(-1)!
  const drift = end && { two: end.fatKg + end.leanKg, rule: statically.at(-1)! }
  return { ...base, energy, statically, drift }
}

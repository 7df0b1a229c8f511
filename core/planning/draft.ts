import { attempt, type Outcome } from '../outcome'
import { addDays, daysBetween, type IsoDate } from '../units/dates'
import { type Breaks, HAIR, shareDone } from './breaks'
import { energyPlan, STATIC_KCAL_PER_KG, type EnergyPlan, type RestingForm } from './energy'
import { massOfStart, targetsOf, type Goal, type StartingPoint, type Targets } from './goal'
import { checkedPace, gainBand, lossBand, type Pace, type PaceBand } from './pace'
import { simulate, staticMass, type Regime } from './simulation'
import type { PlanOnTheWay } from './standing'
import { paceByDay, timelineOf, type Timeline } from './timeline'

/** What a coach wishes, before it is a plan. */
export interface PlanDraft {
  goal: Goal
  /** False while no goal is typed yet. */
  wished: boolean
  /** Left out where the goal's own day asks for one. */
  pace: Pace | undefined
  form: RestingForm
  activity: number
  peakWeek: boolean
  breaks?: Breaks
  /** A caution stands against it: no deficit and no surplus. */
  stopped: boolean
}

/** What follows from a draft; what cannot be computed yet is undefined, what is refused says why. */
export interface DraftedPlan {
  direction: 'loss' | 'gain'
  /** The coaching band of paces. */
  band: PaceBand
  targets?: Outcome<Targets>
  /** The pace, as it was asked for or as the day asks. */
  pace: Outcome<Pace>
  /** kg a week. */
  paceKg: Outcome<number>
  timeline?: Outcome<Timeline>
  energy?: Outcome<EnergyPlan>
  /** Weeks that are looked ahead, 4 to 52. */
  weeks: number
  regime?: Regime
  /** Body mass at the end by two compartments and by the static rule, kg. */
  drift?: { two: number; rule: number }
}

const FEWEST_WEEKS = 4
const MOST_WEEKS = 52
const USUAL_WEEKS = 12
/** An older body than this is measured again before a plan starts, days. Judgement. */
const FRESH_DAYS = 14

/** Days by which the body that a plan starts from is too old; 0 where it is not. */
export function daysTooOld(measuredOn: IsoDate, startsOn: IsoDate): number {
  const days = daysBetween(measuredOn, startsOn)
  return days > FRESH_DAYS ? days : 0
}

/** Weeks that a plan is looked ahead: to its end, and neither a few days nor years. */
export const weeksAhead = (weeks: number | undefined) =>
  Math.min(MOST_WEEKS, Math.max(FEWEST_WEEKS, Math.ceil((weeks ?? USUAL_WEEKS) - HAIR)))

/** The pace of a draft: as it was asked for, or as the goal's own day asks. */
export const paceAskedFor = (
  { goal, pace, peakWeek, breaks }: Pick<PlanDraft, 'goal' | 'pace' | 'peakWeek' | 'breaks'>,
  start: StartingPoint,
  from: IsoDate,
): Outcome<Pace> => attempt(() => pace ?? paceByDay(goal, start, from, { peakWeek, breaks }))

/**
 * Works out a draft: the body that the goal leads to, the pace against its band, the dates, the energy, and where two
 * compartments and the static rule end.
 *
 * @param start the body that it starts from
 * @param from the day that it starts on
 */
export function planFrom(draft: PlanDraft, start: StartingPoint, from: IsoDate): DraftedPlan {
  const { goal, form, activity, peakWeek, breaks } = draft
  const targets = draft.wished ? attempt(() => targetsOf(goal, start)) : undefined
  const gains = targets?.ok && targets.value.aim.massKg > massOfStart(start)
  const direction = gains ? ('gain' as const) : ('loss' as const)
  const band = (direction === 'loss' ? lossBand : gainBand)(start)
  const options = { peakWeek, breaks }
  const pace = paceAskedFor(draft, start, from)
  const paceKg = pace.ok ? attempt(() => checkedPace(pace.value, start, direction)) : pace
  const timeline =
    targets?.ok && pace.ok && paceKg.ok
      ? attempt(() => timelineOf(goal, start, pace.value, from, options))
      : undefined
  const weeks = weeksAhead(timeline?.ok ? timeline.value.weeks : undefined)
  const base = { direction, band, targets, pace, paceKg, timeline, weeks }
  if (!paceKg.ok) return base
  const hold = (timeline?.ok && timeline.value.direction === 'hold') || draft.stopped
  const signedPace = hold ? 0 : (direction === 'loss' ? 1 : -1) * paceKg.value
  const energy = attempt(() => energyPlan(start, { form, activity, paceKg: signedPace }))
  if (!energy.ok) return { ...base, energy }
  const { intakeKcal, deficitKcal } = energy.value
  const regime: Regime = { intakeKcal, activity, form, ...(breaks ? { breaks } : {}) }
  if (!timeline?.ok || breaks) return { ...base, energy, regime }
  const end = simulate(start, regime, weeks).at(-1)!
  const rule = staticMass(massOfStart(start), deficitKcal, weeks, STATIC_KCAL_PER_KG)
  return { ...base, energy, regime, drift: { two: end.fatKg + end.leanKg, rule } }
}

/** Where a plan should be: body mass, fat and lean at the turns of its way, by the change asked for. */
export interface WayPoint {
  date: IsoDate
  massKg: number
  fatKg: number
  leanKg: number
}

/**
 * The way of a plan with what is asked for held, straight but for the breaks: from its start to its end.
 *
 * @throws InputError as `targetsOf` does
 */
export function plannedWay(
  { goal, startedOn, weeks, breaks }: Pick<PlanOnTheWay, 'goal' | 'startedOn' | 'weeks' | 'breaks'>,
  start: StartingPoint,
): WayPoint[] {
  const { aim } = targetsOf(goal, start)
  return Array.from({ length: Math.ceil(weeks) + 1 }, (_, week) => {
    const share = shareDone(week, weeks, breaks)
    const fatKg = start.fatKg + share * (aim.fatKg - start.fatKg)
    const leanKg = start.leanKg + share * (aim.leanKg - start.leanKg)
    return { date: addDays(startedOn, 7 * week), massKg: fatKg + leanKg, fatKg, leanKg }
  })
}

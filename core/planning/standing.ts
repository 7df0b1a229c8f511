import type { Look } from '../change/model/record'
import { type IsoDate, daysBetween } from '../units/dates'
import { type Goal, type StartingPoint, goalOf } from './goal'

/** What of a plan its standing is read off. */
export interface PlanOnTheWay {
  startedOn: IsoDate
  goal: Goal
  weeks: number
  start: StartingPoint
}

/** How a record stands to its plan. */
export interface PlanStandingNow {
  standing: 'ahead' | 'on' | 'behind'
  /** Weeks since the plan began. */
  weeks: number
  /** Fat that the plan has by now, kg. */
  wantedFatKg: number
  /** Fat that the record has, by the same start, kg. */
  fatKg: number
  /** How far the two may be apart by what the record leaves open, kg. */
  reachKg: number
  /** Fat that the plan has and the record does not, kg; negative where the record is ahead. */
  shortKg: number
}

/** One-sided 95 %: of those exactly on their plan one look in twenty lies beyond it, on either side. */
const Z95_ONE_SIDED = 1.645
/** Sooner nothing can be said of a pace. */
const LEAST_WEEKS = 2
const WEEK = 7

/**
 * How a record stands to the straight way from the plan's start to its goal, by the model of the record: behind where
 * the fat that is missing is more than the record leaves open, and ahead likewise.
 *
 * @returns undefined where the plan asks nothing of fat, or too little time has passed
 */
export function planStandingNow(look: Look, plan: PlanOnTheWay): PlanStandingNow | undefined {
  const phase = look.horizons.phase
  const fat = phase?.changes.fat
  const { fatKg: start } = plan.start
  const wanted = goalOf('fatMass', plan.goal, plan.start)
  if (!phase || !fat || wanted === undefined || phase.weeks < LEAST_WEEKS) return undefined
  const whole = wanted - start
  if (whole === 0) return undefined
  const weeks = daysBetween(plan.startedOn, look.date) / WEEK
  const gone = Math.min(1, weeks / plan.weeks)
  const shortKg = Math.sign(whole) * (whole * gone - fat.change)
  const reachKg = Z95_ONE_SIDED * fat.sd
  return {
    standing: shortKg > reachKg ? 'behind' : shortKg < -reachKg ? 'ahead' : 'on',
    ...{ weeks, shortKg, reachKg, wantedFatKg: start + whole * gone, fatKg: start + fat.change },
  }
}

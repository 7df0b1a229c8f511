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

/** Fat that the plan has and the record does not, kg; negative where the record is ahead. */
export interface PlanStandingNow {
  shortKg: number
  behind: boolean
}

/** One-sided 95 %: of those exactly on their plan one look in twenty lies beyond it. */
const Z95_ONE_SIDED = 1.645
/** Sooner nothing can be said of a pace. */
const LEAST_WEEKS = 2

/**
 * How a record stands to the straight way from the plan's start to its goal, by the model of the record: behind where
 * the fat that is missing is more than the record leaves open.
 *
 * @returns undefined where the plan asks nothing of fat, or too little time has passed
 */
export function planStandingNow(look: Look, plan: PlanOnTheWay): PlanStandingNow | undefined {
  const phase = look.horizons.phase
  const fat = phase?.changes.fat
  const wanted = goalOf('fatMass', plan.goal, plan.start)
  if (!phase || !fat || wanted === undefined || phase.weeks < LEAST_WEEKS) return undefined
  const whole = wanted - plan.start.fatKg
  if (whole === 0) return undefined
  const gone = Math.min(1, daysBetween(plan.startedOn, look.date) / 7 / plan.weeks)
  const shortKg = Math.sign(whole) * (whole * gone - fat.change)
  return { shortKg, behind: shortKg > Z95_ONE_SIDED * fat.sd }
}

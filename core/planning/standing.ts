import type { Look, RecordQuantity } from '../change/model/record'
import { type IsoDate, daysBetween } from '../units/dates'
import { type Breaks, shareDone } from './breaks'
import { type Goal, type StartingPoint, goalOf } from './goal'

/** What of a plan its standing is read off. */
export interface PlanOnTheWay {
  startedOn: IsoDate
  goal: Goal
  weeks: number
  breaks?: Breaks
  start: StartingPoint
  /** The girth or the sum that is the goal, as it was at the start; mm or cm. */
  goalStart?: number
}

/** How a record stands to its plan. Numbers are kg, or mm of a sum and cm of a girth. */
export interface PlanStandingNow {
  standing: 'ahead' | 'on' | 'behind'
  /** What it is read off: the girth or the sum that is the goal, lean where lean is to be gained, else fat. */
  quantity: RecordQuantity
  /** The check-in that it is counted from, and weeks since the plan began. */
  since: IsoDate
  weeks: number
  /** Change since that check-in: as the plan has it, and as the record does. */
  wanted: number
  change: number
  /** How far the two may be apart by what the record leaves open. */
  reach: number
  /** What the plan has and the record does not; negative where the record is ahead. */
  short: number
}

/** One-sided 95 %: of those exactly on their plan one look in twenty lies beyond it, on either side. */
const Z95_ONE_SIDED = 1.645
/** Sooner nothing can be said of a pace. */
const LEAST_WEEKS = 2
const WEEK = 7

/** What a goal is followed by in the record, and where a plan has it begin and end; undefined where it asks nothing. */
function followedBy({ goal, start, goalStart }: PlanOnTheWay) {
  switch (goal.kind) {
    case 'girth':
      return { quantity: goal.girth!, from: goalStart, to: goal.value }
    case 'sum':
    case 'equationSum':
      return { quantity: goal.kind, from: goalStart, to: goal.value }
    case 'gainLean':
      return { quantity: 'lean', from: start.leanKg, to: goalOf('leanMass', goal, start) } as const
    default:
      return { quantity: 'fat', from: start.fatKg, to: goalOf('fatMass', goal, start) } as const
  }
}

/**
 * How a record stands to the way from the plan's start to its goal, straight but for the breaks, by the model of the
 * record: behind where what is missing is more than the record leaves open, and ahead likewise. What lies before the
 * plan's own start is not counted.
 *
 * @returns undefined where the plan asks for no change, the record does not follow it, or too little time has passed
 */
export function planStandingNow(look: Look, plan: PlanOnTheWay): PlanStandingNow | undefined {
  const { phase } = look.horizons
  const { quantity, from, to } = followedBy(plan)
  const seen = phase?.changes[quantity]
  if (!phase || !seen || from === undefined || to === undefined || from === to) return undefined
  const weeksBy = (date: IsoDate) => daysBetween(plan.startedOn, date) / WEEK
  const weeks = weeksBy(look.date)
  if (Math.min(weeks, phase.weeks) < LEAST_WEEKS) return undefined
  const doneBy = (date: IsoDate) => shareDone(weeksBy(date), plan.weeks, plan.breaks)
  const wanted = (to - from) * (doneBy(look.date) - doneBy(phase.since))
  const short = Math.sign(to - from) * (wanted - seen.change)
  const reach = Z95_ONE_SIDED * seen.sd
  return {
    standing: short > reach ? 'behind' : short < -reach ? 'ahead' : 'on',
    ...{ quantity, since: phase.since, weeks, wanted, change: seen.change, reach, short },
  }
}

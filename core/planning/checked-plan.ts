import { inputError } from '../errors'
import type { StartingPoint } from './goal'
import {
  type PlanWish,
  type SafePlan,
  type SafetyFinding,
  type SafetyGround,
  safePlan,
} from './safety'
import type { SafetyOutcome } from './safety-rules'
import { timelineOf } from './timeline'
import type { IsoDate } from '../units/dates'
import type { Breaks } from './breaks'

/** What of a plan can hurt: where to, how fast, and what is eaten for it. */
export interface ProposedPlan extends PlanWish {
  intakeKcal: number
  startedOn: IsoDate
  peakWeek?: boolean
  breaks?: Breaks
}

/** Rounding of an intake on its way, kcal. */
const ROUNDING_KCAL = 1

/** Rules that speak of the goal itself. */
const OF_GOALS = ['bmi-now', 'bmi-target', 'fat-floor']

/** What a rule has against a plan, in the words of a refused field. */
function refusal({ goal, pace }: PlanWish, { rule, outcome, words, who }: SafetyFinding) {
  const why = words.replace(/\.$/, '')
  if (rule === 'pace') {
    return inputError('pace', 'outside-domain', 'Pace', pace.value, `a slower one. ${why}`)
  }
  if (OF_GOALS.includes(rule)) {
    return inputError('goal', 'outside-domain', 'Goal', goal.value, `another. ${why}`)
  }
  const accepted = outcome === 'hold' ? `one that is cleared by ${who}` : 'none for now'
  return inputError('plan', 'outside-domain', 'Plan', 'one', `${accepted}. ${why}`)
}

/**
 * Holds a plan against every rule before it is kept, whoever sends it.
 *
 * @param start the body of the check-in that it starts from
 * @returns what the rules say of it: at most cautions
 * @throws InputError naming `plan`, `goal`, `pace`, `date`, `breakEvery`, `breakWeeks` or `intakeKcal`
 */
export function checkPlan(
  { intakeKcal, startedOn, peakWeek, breaks, ...wish }: ProposedPlan,
  start: StartingPoint,
  ground: SafetyGround,
): SafePlan {
  const safe = safePlan(wish, start, ground)
  const of = (outcome: SafetyOutcome) => safe.findings.filter((f) => f.outcome === outcome)
  // The pace is what is mended first: with a slower one other rules may have nothing to say.
  const refused = of('refused')
  const stop = refused.find(({ rule }) => rule === 'pace') ?? refused[0] ?? of('hold')[0]
  if (stop) throw refusal(wish, stop)
  const { verdict, earliest } = timelineOf(wish.goal, start, wish.pace, startedOn, {
    peakWeek,
    breaks,
  })
  if (verdict === 'not feasible') {
    const accepted = `${earliest} or later: sooner is not safe from ${startedOn}`
    throw inputError('date', 'outside-domain', 'Day of the goal', wish.goal.date, accepted)
  }
  if (!(intakeKcal >= safe.intakeKcal - ROUNDING_KCAL)) {
    throw inputError(
      'intakeKcal',
      'outside-domain',
      'Intake',
      Math.round(intakeKcal),
      `${Math.ceil(safe.intakeKcal)} kcal a day or more at this pace`,
    )
  }
  return safe
}

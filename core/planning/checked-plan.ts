import { say, sentences, type Message, dayValue } from '../say'
import { InputError, inputError, refusal } from '../errors'
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

/** What a rule has against a plan, as the refusal of a field. */
function refusedBy({ goal, pace }: PlanWish, { rule, outcome, words, who }: SafetyFinding) {
  const refuse = (input: string, label: Message, got: unknown, accepted: Message) =>
    new InputError(
      input,
      'outside-domain',
      sentences(refusal(label, got, accepted), words),
      got,
      accepted,
    )
  if (rule === 'pace') {
    return refuse('pace', say('planning.pace'), pace.value, say('planning.slowerOne'))
  }
  if (OF_GOALS.includes(rule)) {
    return refuse('goal', say('planning.goal'), goal.value, say('planning.anotherGoal'))
  }
  const accepted =
    outcome === 'hold' ? say('planning.oneCleared', { who }) : say('planning.noneNow')
  return refuse('plan', say('planning.plan'), undefined, accepted)
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
  if (stop) throw refusedBy(wish, stop)
  const { verdict, earliest } = timelineOf(wish.goal, start, wish.pace, startedOn, {
    peakWeek,
    breaks,
  })
  if (verdict === 'not feasible') {
    const accepted = say('planning.laterSoonerSafe', {
      earliest: dayValue(earliest, true),
      startedOn: dayValue(startedOn, true),
    })
    throw inputError('date', 'outside-domain', say('planning.dayGoal'), wish.goal.date, accepted)
  }
  if (!(intakeKcal >= safe.intakeKcal - ROUNDING_KCAL)) {
    throw inputError(
      'intakeKcal',
      'outside-domain',
      say('planning.intake'),
      Math.round(intakeKcal),
      say('planning.kcalDayMorePace', { intakeKcal: Math.ceil(safe.intakeKcal) }),
    )
  }
  return safe
}

import {
  addDays,
  checkPlan,
  goalStartOf,
  paceByDay,
  planFrom,
  restingFormFor,
  safePlan,
  startOf,
  type Breaks,
  type CheckInRecord,
  type DayWish,
  type Goal,
  type Pace,
  type Person,
  type SafetyFinding,
  type ScreeningAnswers,
} from '../core/index'
import type { PlanDefinition } from '../shared/contract/plans'

/** A plan that somebody of the club has or had, or asked for. */
export interface DemoWish {
  /** The check-in that it starts from. */
  visit: number
  goal: Omit<Goal, 'date'>
  /** Days from today to the day of the goal. */
  inDays?: number
  /** Left out where the day asks for it. */
  pace?: Pace
  activity: number
  exerciseKcal?: number
  training: PlanDefinition['training']
  purpose?: PlanDefinition['purpose']
  breaks?: Breaks
  peakWeek?: true
  nutrients?: DayWish
  /** Put on record as refused: never in force. */
  refused?: true
}

export interface DemoPlan {
  id: string
  clientId: string
  startedOn: string
  definition: PlanDefinition
  madeBy: string
  changes: string | null
  findings: SafetyFinding[]
  refused: boolean
  createdAt: Date
  replacedAt: Date | null
}

interface Whose {
  person: Person
  screening: ScreeningAnswers | undefined
  checkIns: readonly (CheckInRecord & { id: string; measuredOn: string })[]
  today: string
}

/** A wish as the planner would keep it, with what the rules said of it. */
function keptAs(wish: DemoWish, { person, screening, checkIns, today }: Whose) {
  const checkIn = checkIns[wish.visit]!
  const startedOn = checkIn.measuredOn
  const start = startOf(person, checkIn, startedOn)!
  const { form } = restingFormFor(screening?.training)
  const { inDays, activity, breaks, peakWeek = false, exerciseKcal, training, nutrients } = wish
  const goal: Goal = {
    ...wish.goal,
    ...(inDays === undefined ? {} : { date: addDays(today, inDays) }),
  }
  const pace = wish.pace ?? paceByDay(goal, start, startedOn, { peakWeek, breaks })
  const asked = { ...{ goal, pace, form, activity, peakWeek, breaks }, wished: true }
  const drafted = planFrom({ ...asked, stopped: wish.refused === true }, start, startedOn)
  const { energy, timeline } = drafted
  if (!energy?.ok || !timeline?.ok) throw new Error(`No plan: ${JSON.stringify(wish)}`)
  const { intakeKcal, needKcal } = energy.value
  const definition: PlanDefinition = {
    ...{ goal, pace, form, activity, intakeKcal, needKcal, weeks: timeline.value.weeks },
    ...{ training, purpose: wish.purpose ?? 'training', peakWeek, checkInId: checkIn.id },
    ...(wish.pace ? {} : { byDay: true }),
    goalStart: goalStartOf(goal, start),
    ...(breaks ? { breaks } : {}),
    ...(exerciseKcal === undefined ? {} : { exerciseKcal }),
    ...(nutrients ? { nutrients } : {}),
    ...{ fatKg: start.fatKg, leanKg: start.leanKg, standardError: start.standardError },
  }
  const ground = { flags: screening?.flags ?? [], today: startedOn }
  const { findings } = wish.refused
    ? safePlan(definition, start, ground)
    : checkPlan({ ...definition, startedOn }, start, ground)
  return { startedOn, definition, findings }
}

/** Plans of one client in the order in which they were made: each but the last was changed into the next. */
export function demoPlans(
  wishes: readonly DemoWish[],
  whose: Whose,
  { clientId, madeBy, idOf }: { clientId: string; madeBy: string; idOf: (i: number) => string },
): DemoPlan[] {
  const kept = wishes.map((wish) => ({ wish, ...keptAs(wish, whose) }))
  // Kept on the evening of its check-in.
  const evening = (date: string) => new Date(`${date}T19:00:00`)
  return kept.map(({ wish, startedOn, definition, findings }, i) => {
    const createdAt = evening(startedOn)
    const next = kept[i + 1]
    return {
      ...{ id: idOf(i), clientId, startedOn, definition, madeBy, findings, createdAt },
      changes: i > 0 && !wish.refused ? idOf(i - 1) : null,
      refused: wish.refused === true,
      replacedAt: wish.refused ? createdAt : next ? evening(next.startedOn) : null,
    }
  })
}

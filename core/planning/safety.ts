import type { Message } from '../say'
import { attempt } from '../outcome'
import type { IsoDate } from '../units/dates'
import {
  FAT_SUPPLY_KCAL,
  type RestingForm,
  STATIC_KCAL_PER_KG,
  energyPlan,
  leastIntakeOf,
} from './energy'
import { type Goal, type StartingPoint, type Target, fatPercentOfStart, massOfStart } from './goal'
import { type Pace, gainBand, kgAWeek, lossBand } from './pace'
import {
  BREASTFEEDING_KCAL,
  FAT_FLOORS,
  LEAST_AVAILABILITY,
  OLDER_AGE,
  OLDER_PERCENT,
  type PlanCase,
  type PlanFlag,
  SAFETY_OUTCOMES,
  SAFETY_RULES,
  type SafetyOutcome,
  availabilityOf,
  countsAvailability,
  leastBmi,
} from './safety-rules'
import { timelineOf } from './timeline'
import { bmiOf } from '../units/bmi'

/** What a coach wishes for a body. */
export interface PlanWish {
  goal: Goal
  pace: Pace
  form: RestingForm
  activity: number
  /** What is burned by exercise, as a part of the need, kcal a day; nothing where not said. */
  exerciseKcal?: number
}

/** A clearance on record: who lifted which hold. */
export interface Clearance {
  /** Id of the rule. */
  rule: string
  by: string
  on: IsoDate
}

/** What a rule says of a plan. */
export interface SafetyFinding {
  rule: string
  /** A hold that is lifted is a caution. */
  outcome: Exclude<SafetyOutcome, 'ok'>
  words: Message
  who: Message
  clearedBy?: Clearance
}

/** A plan held against every rule. */
export interface SafePlan {
  outcome: SafetyOutcome
  findings: SafetyFinding[]
  direction: PlanCase['direction']
  /** The body it leads to with lean held. */
  target: Target
  /** Body mass a week, kg, after the floor of intake and the ceiling of what fat can supply. */
  paceKg: number
  weeks: number
  intakeKcal: number
  needKcal: number
  /** kcal a kg of lean mass a day; of those for whom it counts. */
  availability: number | undefined
  /** Where it is refused: the nearest that is not, by the same rules; undefined where nothing is. */
  nearest: { goal: Goal; pace: Pace } | undefined
}

/** What a plan is held against, besides the body. */
export interface SafetyGround {
  flags: readonly string[]
  clearances?: readonly Clearance[]
  today: IsoDate
}

const DAYS = 7
/** An estimate whose source states no error. */
const USUAL_ERROR_POINTS = 4

/** The pace, kg a week, that so many kcal a day off are. */
const paceOf = (kcal: number) => (kcal * DAYS) / STATIC_KCAL_PER_KG

/** The fastest pace that is allowed, kg a week: the band, the age, and breastfeeding. */
function bandOf(
  start: StartingPoint,
  direction: PlanCase['direction'],
  flags: readonly PlanFlag[],
) {
  if (direction === 'gain') return gainBand(start).fast
  const limits = [lossBand(start).fast]
  const age = start.leastAgeYears ?? start.ageYears
  if ((age ?? 0) >= OLDER_AGE) limits.push((OLDER_PERCENT / 100) * massOfStart(start))
  if (flags.includes('breastfeeding')) limits.push(paceOf(BREASTFEEDING_KCAL))
  return Math.min(...limits)
}

/** The case that the rules see. @throws InputError naming `goal` or `pace` where it is none */
function caseOf(wish: PlanWish, start: StartingPoint, { flags, today }: SafetyGround) {
  const { goal, pace, form, activity, exerciseKcal = 0 } = wish
  const { target, direction, weeks } = timelineOf(goal, start, pace, today)
  const asked = direction === 'hold' ? 0 : kgAWeek(pace, start)
  const signed = direction === 'gain' ? -asked : asked
  const energy = energyPlan(start, { form, activity, paceKg: signed })
  const planFlags = flags as readonly PlanFlag[]
  const massKg = massOfStart(start)
  const { heightCm } = start
  const bmiAt = (kg: number) => (heightCm === undefined ? undefined : bmiOf(kg, heightCm))
  const plan: PlanCase = {
    ...{ sex: start.sex, ageYears: start.leastAgeYears ?? start.ageYears, direction, massKg },
    ...{ leanKg: start.leanKg, fatPercent: fatPercentOfStart(start) },
    standardError: start.standardError ?? USUAL_ERROR_POINTS,
    bmi: bmiAt(massKg),
    targetBmi: bmiAt(target.massKg),
    targetFatPercent: fatPercentOfStart(target),
    dated: goal.date !== undefined,
    ...{ paceKg: asked, bandKg: bandOf(start, direction, planFlags), exerciseKcal },
    ...{ intakeKcal: energy.intakeKcal, needKcal: energy.needKcal, flags: planFlags },
  }
  // Where the intake is held at its floor, the pace is what is left of it.
  const held = direction === 'loss' ? Math.min(asked, paceOf(energy.deficitKcal)) : asked
  const slower = held < asked * (1 - 1e-9)
  return {
    plan,
    target,
    paceKg: held,
    weeks: slower ? weeks * (asked / Math.max(held, 1e-6)) : weeks,
  }
}

function findingsOn(plan: PlanCase, clearances: readonly Clearance[]): SafetyFinding[] {
  return SAFETY_RULES.filter((rule) => rule.applies(plan)).map((rule) => {
    const clearedBy =
      rule.outcome === 'hold' && (rule.mayLift?.(plan) ?? true)
        ? clearances.find((clearance) => clearance.rule === rule.id)
        : undefined
    return {
      ...{ rule: rule.id, words: rule.words(plan), who: rule.who },
      outcome: clearedBy ? ('caution' as const) : rule.outcome,
      ...(clearedBy ? { clearedBy } : {}),
    }
  })
}

/**
 * What stands against a body whatever it wishes: the rules for a loss that goes nowhere yet.
 *
 * @param start the body of the newest check-in
 */
export function standingFindings(start: StartingPoint, ground: SafetyGround): SafetyFinding[] {
  const wish: PlanWish = {
    goal: { kind: 'holdLean' },
    pace: { unit: 'percentMass', value: 0 },
    ...{ form: 'lean', activity: 1 },
  }
  const { plan } = caseOf(wish, start, ground)
  return findingsOn({ ...plan, direction: 'loss' }, ground.clearances ?? []).filter(
    ({ rule }) => !rule.startsWith('energy'),
  )
}

const worst = (findings: readonly SafetyFinding[]): SafetyOutcome =>
  SAFETY_OUTCOMES[Math.max(0, ...findings.map(({ outcome }) => SAFETY_OUTCOMES.indexOf(outcome)))]!

/**
 * Holds a plan against every rule of the table, on the screen and again before it is kept.
 *
 * @param start the body of the check-in that it starts from
 * @throws InputError naming `goal`, `pace` or `activity` where one makes no sense
 */
export function safePlan(wish: PlanWish, start: StartingPoint, ground: SafetyGround): SafePlan {
  const found = caseOf(wish, start, ground)
  const { plan, target, paceKg, weeks } = found
  const findings = findingsOn(plan, ground.clearances ?? [])
  const outcome = worst(findings)
  return {
    ...{ outcome, findings, target, paceKg, weeks, direction: plan.direction },
    ...{ intakeKcal: plan.intakeKcal, needKcal: plan.needKcal },
    availability: countsAvailability(plan) ? availabilityOf(plan) : undefined,
    nearest: outcome === 'refused' ? nearestTo(wish, start, ground, found) : undefined,
  }
}

const UP = 10
/** The next tenth above. */
const tenthUp = (value: number) => Math.ceil(value * UP - 1e-9) / UP

/** The least fat that the floors allow, kg, with lean held. */
function leastFatKg(start: StartingPoint, flags: readonly PlanFlag[]): number {
  const { leanKg, heightCm, sex } = start
  const share = FAT_FLOORS[sex].refused / 100
  const byFat = (leanKg * share) / (1 - share)
  const byBmi = heightCm === undefined ? 0 : leastBmi(flags) * (heightCm / 100) ** 2 - leanKg
  return Math.max(byFat, byBmi)
}

/** A goal of the same kind for another fat mass with lean held, rounded so that it asks for a little less. */
function goalFor(goal: Goal, fatKg: number, leanKg: number): Goal {
  if (goal.kind === 'fatPercent') {
    return { ...goal, value: tenthUp((100 * fatKg) / (fatKg + leanKg)) }
  }
  if (goal.kind === 'fatMass') return { ...goal, value: tenthUp(fatKg) }
  const { date, occasion } = goal
  return {
    ...{ kind: 'mass' as const, value: tenthUp(fatKg + leanKg) },
    ...(date ? { date } : {}),
    ...(occasion ? { occasion } : {}),
  }
}

/**
 * The nearest plan that no rule refuses: a target on the floor in place of one under it, a pace at its ceiling in place of
 * one over it; holding where no loss is allowed at all, and the way up where that is not either.
 */
function nearestTo(
  wish: PlanWish,
  start: StartingPoint,
  ground: SafetyGround,
  { plan, target }: ReturnType<typeof caseOf>,
): SafePlan['nearest'] {
  const { flags } = plan
  const allowed = (goal: Goal, pace: Pace) => {
    const found = attempt(() => caseOf({ ...wish, goal, pace }, start, ground))
    return (
      found.ok &&
      findingsOn(found.value.plan, ground.clearances ?? []).every((f) => f.outcome !== 'refused')
    )
  }
  const least = leastFatKg(start, flags)
  const under = plan.direction === 'loss' && target.fatKg < least && least < start.fatKg
  const goal = under ? goalFor(wish.goal, least, start.leanKg) : wish.goal
  const limits = [plan.paceKg, plan.bandKg]
  if (plan.direction === 'loss') {
    const room = plan.needKcal - leastIntakeOf(start.sex)
    limits.push(paceOf(Math.min(room, FAT_SUPPLY_KCAL * start.fatKg)))
    if (countsAvailability(plan)) {
      const left = plan.needKcal - plan.exerciseKcal - LEAST_AVAILABILITY * start.leanKg
      limits.push(paceOf(left))
    }
  }
  // A hundredth of a per cent of body mass less, so that rounding refuses nobody.
  const mass = massOfStart(start)
  const percent = Math.floor((1e4 * Math.min(...limits)) / mass + 1e-7) / 100
  const pace: Pace = limits.some((limit) => limit < plan.paceKg)
    ? { unit: 'percentMass', value: percent }
    : wish.pace
  if (percent > 0 && allowed(goal, pace)) return { goal, pace }
  const hold: Goal = { kind: 'holdLean' }
  if (allowed(hold, wish.pace)) return { goal: hold, pace: wish.pace }
  // Who is under a floor now is offered the way up to it.
  const up: Goal = { kind: 'mass', value: tenthUp(least + start.leanKg) }
  const slowly: Pace = { unit: 'kg', value: gainBand(start).slow }
  return allowed(up, slowly) ? { goal: up, pace: slowly } : undefined
}

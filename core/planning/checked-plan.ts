import { inputError } from '../errors'
import { planCautions } from './cautions'
import { type RestingForm, energyPlan } from './energy'
import type { Goal, StartingPoint } from './goal'
import { type Pace, checkedPace } from './pace'
import { timelineOf } from './timeline'
import type { IsoDate } from '../units/dates'

/** What of a plan can hurt: where to, how fast, and what is eaten for it. */
export interface ProposedPlan {
  goal: Goal
  pace: Pace
  form: RestingForm
  activity: number
  intakeKcal: number
}

/** Rounding of an intake on its way, kcal. */
const ROUNDING_KCAL = 1

/**
 * Holds a plan against every limit before it is kept, whoever sends it: what stops a plan, the floor of fat, the band of
 * the pace, the floor of intake and what body fat can supply.
 *
 * @param start the body of the check-in that it starts from
 * @param flags of the private screening
 * @throws InputError naming `plan`, `goal`, `pace` or `intakeKcal`
 */
export function checkPlan(
  { goal, pace, form, activity, intakeKcal }: ProposedPlan,
  start: StartingPoint,
  flags: readonly string[],
  today: IsoDate,
): void {
  const stop = planCautions(start, flags).find(({ stops }) => stops)
  if (stop) {
    throw inputError('plan', 'outside-domain', 'Plan', 'one', `none for now. ${stop.words}`)
  }
  const { direction } = timelineOf(goal, start, pace, today)
  const paceKg = direction === 'hold' ? 0 : checkedPace(pace, start, direction)
  const signed = direction === 'gain' ? -paceKg : paceKg
  const least = energyPlan(start, { form, activity, paceKg: signed }).intakeKcal
  if (!(intakeKcal >= least - ROUNDING_KCAL)) {
    throw inputError(
      'intakeKcal',
      'outside-domain',
      'Intake',
      Math.round(intakeKcal),
      `${Math.ceil(least)} kcal a day or more at this pace`,
    )
  }
}

import { type Message, say } from '../say'
import { energyChange } from '../change/model/combined'
import { losesLean } from '../change/model/headline'
import type { Look } from '../change/model/record'
import { Z95 } from '../measurement-error/site-error'
import { type PlanOnTheWay, type PlanStandingNow, planStandingNow } from './standing'

export type PlanStanding = PlanStandingNow['standing'] | 'losing lean'

export interface FollowUp extends Omit<PlanStandingNow, 'standing'> {
  standing: PlanStanding
  words: Message
  /** Energy balance a day that fat and lean mass imply since the start, kcal, beside the plan's; where both are known. */
  energy?: {
    observedKcal: number
    /** 95 %. */
    interval: [low: number, high: number]
    plannedKcal: number
  }
}

const DAYS_A_WEEK = 7

/**
 * A record against the plan in force: where it is on the plan's way, and the energy balance that the changes of fat and
 * lean imply. The same standing as on Today.
 *
 * @param plan with what is eaten and needed a day, kcal
 * @returns undefined where nothing can be said yet: see `planStandingNow`
 */
export function followUp(
  look: Look,
  plan: PlanOnTheWay & { intakeKcal: number; needKcal: number },
): FollowUp | undefined {
  const now = planStandingNow(look, plan)
  const { phase } = look.horizons
  if (!now || !phase) return undefined
  const standing = losesLean(look, 'phase') ? 'losing lean' : now.standing
  const balance = energyChange(phase.changes)
  if (!balance) return { ...now, standing, words: STANDING_WORDS[standing] }
  const days = phase.weeks * DAYS_A_WEEK
  const observedKcal = balance.change / days
  const error = (Z95 * balance.sd) / days
  return {
    ...{ ...now, standing, words: STANDING_WORDS[standing] },
    energy: {
      observedKcal,
      interval: [observedKcal - error, observedKcal + error],
      plannedKcal: plan.intakeKcal - plan.needKcal,
    },
  }
}

const STANDING_WORDS: Record<PlanStanding, Message> = {
  ahead: say('planning.aheadPlan'),
  on: say('planning.plan2'),
  behind: say('planning.behindPlan'),
  'losing lean': say('planning.losingLeanMorePlanHas'),
}

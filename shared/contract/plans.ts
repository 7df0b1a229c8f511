import { z } from './zod'
import { GOAL_KINDS, HOLDS, PACE_UNITS, TRAINING_TARGETS } from '../../core/index'
import { girthIdSchema } from './sites'
import {
  above0,
  choice,
  idSchema,
  integerBetween,
  isoDateSchema,
  numberIn,
  pastDateSchema,
  requiredText,
  yesOrNo,
} from './fields'

const number = (label: string) => numberIn(label, -100_000, 100_000)

const goalSchema = z.object({
  kind: choice('Goal', GOAL_KINDS),
  value: number('Goal').optional(),
  girth: girthIdSchema.optional(),
  date: isoDateSchema.optional(),
})

const paceSchema = z.object({
  unit: choice('Pace', PACE_UNITS),
  value: above0('Pace'),
})

const PURPOSES = ['preparation', 'training', 'otherwise'] as const
const TRAININGS = TRAINING_TARGETS.map(({ id }) => id) as [string, ...string[]]

/** Everything that a plan is computed from; what follows from it is computed anew each time. */
export const planDefinitionSchema = z.object({
  goal: goalSchema,
  pace: paceSchema,
  form: choice('Resting need', ['lean', 'athlete', 'mass']),
  activity: numberIn('Activity', 1, 2.5),
  /** What exercise burns, as a part of the need; nothing where nobody said. */
  exerciseKcal: numberIn('Exercise', 0, 4000, 'kcal').optional(),
  training: choice('Training', TRAININGS),
  purpose: choice('Purpose', PURPOSES),
  peakWeek: yesOrNo('Peak week'),
  intakeKcal: numberIn('Intake', 500, 10_000, 'kcal'),
  needKcal: number('Need'),
  weeks: integerBetween('Weeks', 1, 156),
  /** The check-in that it starts from, and the body of that day. */
  checkInId: idSchema,
  fatKg: above0('Fat mass'),
  leanKg: above0('Lean mass'),
  standardError: number('Standard error').nullable(),
})
export type PlanDefinition = z.infer<typeof planDefinitionSchema>

/** Who lifted a hold, and when: only what a clinician or a guardian decides, and never a refusal. */
export const clearanceSchema = z.object({
  rule: choice('Rule', HOLDS as [string, ...string[]]),
  by: requiredText('Cleared by', 80),
  on: pastDateSchema('Cleared on'),
})
export type Clearance = z.infer<typeof clearanceSchema>

export const newClearanceSchema = clearanceSchema.extend({ id: idSchema })

export const newPlanSchema = z.object({
  id: idSchema,
  startedOn: isoDateSchema,
  definition: planDefinitionSchema,
  /** Takes the advised days between check-ins along. */
  cadenceDays: integerBetween('Days between check-ins', 1, 365).optional(),
})

export const planSchema = z.object({
  id: idSchema,
  startedOn: isoDateSchema,
  definition: planDefinitionSchema,
  createdAt: z.string(),
  replacedAt: z.string().nullable(),
})
export type Plan = z.infer<typeof planSchema>

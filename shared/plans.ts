import { z } from 'zod'
import { GIRTH_IDS, GOAL_KINDS, PACE_UNITS, TRAINING_TARGETS } from '../core'
import { idSchema, isoDateSchema } from './ids'

const number = (label: string) => z.number({ error: `${label}: accepted is a number.` })

export const goalSchema = z.object({
  kind: z.enum(GOAL_KINDS, { error: `Goal: accepted are ${GOAL_KINDS.join(', ')}.` }),
  value: number('Goal').optional(),
  girth: z.enum(GIRTH_IDS, { error: 'Girth: there is no such girth.' }).optional(),
  date: isoDateSchema.optional(),
})

export const paceSchema = z.object({
  unit: z.enum(PACE_UNITS, { error: `Pace: accepted are ${PACE_UNITS.join(', ')}.` }),
  value: number('Pace').positive('Pace: accepted is above 0.'),
})

export const PURPOSES = ['preparation', 'training', 'otherwise'] as const
const TRAININGS = TRAINING_TARGETS.map(({ id }) => id) as [string, ...string[]]

/** Everything that a plan is computed from; what follows from it is computed anew each time. */
export const planDefinitionSchema = z.object({
  goal: goalSchema,
  pace: paceSchema,
  form: z.enum(['lean', 'athlete', 'mass']),
  activity: number('Activity').min(1).max(2.5, 'Activity: accepted is 1 to 2.5.'),
  training: z.enum(TRAININGS),
  purpose: z.enum(PURPOSES),
  peakWeek: z.boolean(),
  intakeKcal: number('Intake').min(500).max(10_000, 'Intake: accepted is 500 to 10000 kcal.'),
  needKcal: number('Need'),
  weeks: z.number().int().min(1).max(156),
  /** The check-in that it starts from, and the body of that day. */
  checkInId: idSchema,
  fatKg: number('Fat mass').positive(),
  leanKg: number('Lean mass').positive(),
  standardError: z.number().nullable(),
})
export type PlanDefinition = z.infer<typeof planDefinitionSchema>

export const newPlanSchema = z.object({
  startedOn: isoDateSchema,
  definition: planDefinitionSchema,
  /** Takes the advised days between check-ins along. */
  cadenceDays: z.number().int().min(1).max(365).optional(),
})

export const planSchema = z.object({
  id: idSchema,
  startedOn: isoDateSchema,
  definition: planDefinitionSchema,
  createdAt: z.string(),
  replacedAt: z.string().nullable(),
})
export type Plan = z.infer<typeof planSchema>

export const calendarSchema = z.object({
  today: isoDateSchema,
  entries: z.array(
    z.object({
      clientId: idSchema,
      name: z.string(),
      dueOn: isoDateSchema,
      moved: z.boolean(),
    }),
  ),
})
export type Calendar = z.infer<typeof calendarSchema>

import { z } from './zod'
import {
  AMOUNT_BASES,
  BREAK_LIMITS,
  DIETS,
  GOAL_KINDS,
  GOAL_OCCASIONS,
  HOLDS,
  MOST_EXERCISE_KCAL,
  MOST_MEALS,
  PACE_UNITS,
  RESTING_FORM_IDS,
  SAFETY_OUTCOMES,
  TRAINING,
  TRAINING_TARGETS,
  say,
  type Words,
} from '../../core/index'
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

const number = (label: Words) => numberIn(label, -100_000, 100_000)

const goalSchema = z.object({
  kind: choice(say('fields.goal'), GOAL_KINDS),
  value: number('Goal').optional(),
  girth: girthIdSchema.optional(),
  date: isoDateSchema.optional(),
  occasion: choice(say('fields.dayGoal'), GOAL_OCCASIONS).optional(),
})

const paceSchema = z.object({
  unit: choice(say('fields.pace'), PACE_UNITS),
  value: above0(say('fields.pace')),
})

const breaksSchema = z.object({
  every: integerBetween(...BREAK_LIMITS.every),
  weeks: integerBetween(...BREAK_LIMITS.weeks),
})

const amountSchema = (label: Words) =>
  z.object({ value: numberIn(label, 0, 2000), by: choice(label, AMOUNT_BASES) })

const dayWishSchema = z.object({
  protein: amountSchema('Protein'),
  carbohydrate: amountSchema('Carbohydrate').optional(),
  fat: amountSchema('Fat').optional(),
  meals: integerBetween(say('fields.mealsDay'), 1, MOST_MEALS),
  diet: choice(say('fields.diet'), DIETS),
})

const PURPOSES = ['preparation', 'training', 'otherwise'] as const
const TRAININGS = TRAINING_TARGETS.map(({ id }) => id) as [string, ...string[]]

/** Everything that a plan is computed from; what follows from it is computed anew each time. */
export const planDefinitionSchema = z.object({
  goal: goalSchema,
  /** The girth or the sum that is the goal, as it is at the start, cm or mm. */
  goalStart: numberIn(say('fields.goalStart'), 0, 1000).optional(),
  pace: paceSchema,
  /** True where the pace is what the goal's own day asks for. */
  byDay: yesOrNo(say('fields.paceDay')).optional(),
  breaks: breaksSchema.optional(),
  form: choice(say('fields.restingNeed'), RESTING_FORM_IDS),
  activity: numberIn(say('fields.activity'), 1, 2.5),
  /** What exercise burns, as a part of the need; nothing where nobody said. */
  exerciseKcal: numberIn(say('fields.exercise'), 0, MOST_EXERCISE_KCAL, 'kcal').optional(),
  training: choice(say('fields.training'), TRAININGS),
  /** Plans of before nutrients were kept have none. */
  nutrients: dayWishSchema.optional(),
  purpose: choice(say('fields.purpose'), PURPOSES),
  peakWeek: yesOrNo(say('fields.peakWeek')),
  intakeKcal: numberIn(say('fields.intake'), 500, 10_000, 'kcal'),
  needKcal: number('Need'),
  /** From its start to its end, breaks among them. */
  weeks: numberIn(say('fields.weeks'), 0.1, 400),
  /** The check-in that it starts from, and the body of that day. */
  checkInId: idSchema,
  fatKg: above0(say('fields.fatMass')),
  leanKg: above0(say('fields.leanMass')),
  standardError: number(say('fields.standardError')).nullable(),
})
export type PlanDefinition = z.infer<typeof planDefinitionSchema>

/** Who lifted a hold, and when: only what a clinician or a guardian decides, and never a refusal. */
export const clearanceSchema = z.object({
  rule: choice(say('fields.rule'), HOLDS as [string, ...string[]]),
  by: requiredText(say('fields.cleared'), 80),
  on: pastDateSchema(say('fields.cleared2')),
})
export type Clearance = z.infer<typeof clearanceSchema>

export const newClearanceSchema = clearanceSchema.extend({ id: idSchema })

export const newPlanSchema = z.object({
  id: idSchema,
  startedOn: isoDateSchema,
  definition: planDefinitionSchema,
  /** Takes the advised days between check-ins along. */
  cadenceDays: integerBetween(say('fields.daysBetweenCheckIns'), 1, 365).optional(),
  /** Who made it, by the name on the floor. */
  madeBy: requiredText(say('fields.made'), 80).optional(),
  /** The plan that this one changes. */
  changes: idSchema.optional(),
})

/** What a rule said of a plan when it was kept, or why it was refused. */
const findingSchema = z.object({
  rule: z.string(),
  outcome: z.enum(SAFETY_OUTCOMES).exclude(['ok']),
  words: z.string(),
  who: z.string(),
  clearedBy: clearanceSchema.optional(),
})

export const planSchema = z.object({
  id: idSchema,
  startedOn: isoDateSchema,
  definition: planDefinitionSchema,
  madeBy: z.string().nullable(),
  /** The plan that it changed; null for a new one. */
  changes: idSchema.nullable(),
  findings: z.array(findingSchema),
  /** True for a wish that was refused and put on record; it was never in force. */
  refused: z.boolean(),
  createdAt: z.string(),
  replacedAt: z.string().nullable(),
})
export type Plan = z.infer<typeof planSchema>

/** A client's plans, and what of the private screening stands against one. */
export const clientPlansSchema = z.object({
  plans: z.array(planSchema),
  flags: z.array(z.string()),
  training: z.enum(TRAINING).nullable(),
  clearances: z.array(clearanceSchema),
})
export type ClientPlans = z.infer<typeof clientPlansSchema>

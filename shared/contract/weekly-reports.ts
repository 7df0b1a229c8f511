import { z } from './zod'
import { type GirthId, InputError, parseGirth, parseMass, say, type Typed } from '../../core/index'
import { PHOTO_VIEWS, REPORT_FEELINGS, REPORT_WAYS_OF } from './choices'
import {
  broughtText,
  choice,
  freeText,
  idSchema,
  integerBetween,
  isoDateSchema,
  pastDateSchema,
  requiredText,
  yesOrNo,
} from './fields'
import { errorText, issueOf } from './problems'
import { girthIdSchema } from './sites'

const MOST_GIRTHS = 6
const girthList = errorText(say('fields.girths'), say('fields.upToGirths', { most: MOST_GIRTHS }))
const feelingList = errorText(
  say('fields.howWeekWent'),
  say('fields.list', { value: REPORT_FEELINGS.join(', ') }),
)

/** What a coach asks of a client each week. */
export const reportAsksSchema = z.object({
  girths: z.array(girthIdSchema, girthList).max(MOST_GIRTHS, girthList),
  photos: yesOrNo(say('fields.photos')),
  feelings: z
    .array(choice(say('fields.howWeekWent'), REPORT_FEELINGS), feelingList)
    .max(4, feelingList),
  /** The day that it is due, 0 for Monday. */
  weekday: integerBetween(say('fields.reportDay'), 0, 6),
})
export type ReportAsks = z.output<typeof reportAsksSchema>

/** How the week went: hunger and sleep from 1 (bad) to 5 (good), steps a day, sessions in the week. */
const feelingsSchema = z
  .strictObject(
    {
      hunger: integerBetween(say('fields.hunger'), 1, 5),
      sleep: integerBetween(say('fields.sleep'), 1, 5),
      steps: integerBetween(say('fields.steps'), 0, 100_000),
      sessions: integerBetween(say('fields.sessions'), 0, 30),
    },
    feelingList,
  )
  .partial()
export type ReportFeelings = z.output<typeof feelingsSchema>

const typedSchema = z.object({ kg: z.number(), typed: z.string(), unit: z.string() })

const reportWeightSchema = typedSchema.extend({
  date: isoDateSchema,
  /** Null where it was weighed as asked: in the morning, after the toilet, before food and drink. */
  otherwise: z.string().nullable(),
})

export const reportGirthSchema = z.object({
  girth: girthIdSchema,
  trial: z.number(),
  cm: z.number(),
  typed: z.string(),
  unit: z.string(),
})

/** What a report says, understood. */
export const reportContentSchema = z.object({
  weights: z.array(reportWeightSchema),
  girths: z.array(reportGirthSchema),
  /** Where the tape was taken otherwise than asked; null where as asked. */
  girthsOtherwise: z.string().nullable(),
  feelings: feelingsSchema,
  note: z.string(),
  /** The message as it came, where it is one. */
  message: z.string().nullable(),
})
export type ReportContent = z.output<typeof reportContentSchema>

/** Words about a report: a question of the coach's, or what the client answered. */
export const reportTalkSchema = z.object({
  by: z.enum(['coach', 'client']),
  words: z.string(),
  at: z.string(),
})
export type ReportTalk = z.output<typeof reportTalkSchema>

/** Reads a field by the core's parser, in its words. */
function readTyped<T extends { text: string }>(read: (typed: T) => Typed) {
  return (typed: T, context: z.RefinementCtx): T & { read: Typed } => {
    try {
      return { ...typed, read: read(typed) }
    } catch (error) {
      if (!(error instanceof InputError)) throw error
      context.addIssue(issueOf(error, ['text']))
      return z.NEVER
    }
  }
}

const typedText = requiredText(say('fields.typed'), 30)
const otherwise = freeText(say('fields.whatWasDifferent'), 200)
  .transform((text) => (text === '' ? null : text))
  .nullable()
  .default(null)

const MOST_WEIGHTS = 31
const weightList = errorText(
  say('fields.weighIns'),
  say('fields.upToWeighIns', { most: MOST_WEIGHTS }),
)
const readings = errorText(
  say('fields.girths'),
  say('fields.upToGirths', { most: 3 * MOST_GIRTHS }),
)

const sentWeightSchema = z
  .object(
    {
      date: pastDateSchema(say('fields.date')),
      text: typedText,
      unit: choice(say('fields.unit'), ['kg', 'lb']),
      otherwise,
    },
    weightList,
  )
  .transform(readTyped(({ text, unit }) => parseMass(text, unit)))
  .transform(({ date, read, otherwise: different }) => ({
    ...{ date, kg: read.value, typed: read.text, unit: read.unit as string, otherwise: different },
  }))

const sentGirthSchema = z
  .object(
    {
      girth: girthIdSchema,
      trial: integerBetween(say('fields.pass'), 1, 3),
      text: typedText,
      unit: choice(say('fields.unit'), ['cm', 'in']),
    },
    readings,
  )
  .transform(readTyped(({ text, unit, girth }) => parseGirth(text, unit, girth)))
  .transform(({ girth, trial, read }) => ({
    ...{
      girth: girth as GirthId,
      trial,
      cm: read.value,
      typed: read.text,
      unit: read.unit as string,
    },
  }))

/** A report as it is sent: what was typed, with its units. */
export const sentReportSchema = z.object({
  id: idSchema,
  endsOn: pastDateSchema(say('fields.date')),
  way: choice(say('fields.way'), REPORT_WAYS_OF).default('form'),
  weights: z.array(sentWeightSchema, weightList).max(MOST_WEIGHTS, weightList),
  girths: z.array(sentGirthSchema, readings).max(3 * MOST_GIRTHS, readings),
  girthsOtherwise: otherwise,
  feelings: feelingsSchema,
  note: freeText(say('fields.note'), 2000, true),
  message: broughtText(say('fields.message'), 20_000).nullable().default(null),
})
export type SentReport = z.output<typeof sentReportSchema>

/** A report with what was said about it. */
export const weeklyReportSchema = z.object({
  id: idSchema,
  endsOn: isoDateSchema,
  way: z.enum(REPORT_WAYS_OF),
  state: z.enum(['waiting', 'accepted', 'set aside']),
  content: reportContentSchema,
  talk: z.array(reportTalkSchema),
  photos: z.array(z.object({ id: idSchema, view: z.enum(PHOTO_VIEWS) })),
  sentAt: z.string(),
  decidedBy: z.string().nullable(),
})
export type WeeklyReport = z.output<typeof weeklyReportSchema>

export const decisionSchema = z.object({
  decision: choice(say('fields.decision'), ['accept', 'set aside']),
})
export const talkSchema = z.object({ words: requiredText(say('fields.words'), 1000) })

import {
  PRACTICE_KINDS,
  LANDMARK_STANDARDS,
  limitsOf,
  nameOf,
  refusal,
  say,
  unitOfSite,
} from '../../core/index'
import { TYPED_UNITS } from './check-ins'
import { choice, idSchema, integerBetween, isoDateSchema, numberIn, requiredText } from './fields'
import { testerSchema } from './equipment'
import { errorText, issueOf } from './problems'
import { siteIdSchema } from './sites'
import { z } from './zod'

/** Subjects, and sites, that one study may have. */
const MOST_SUBJECTS = 60
const MOST_SITES = 30

const sites = errorText(say('fields.sites'), say('fields.studySites', { most: MOST_SITES }))
const subjects = errorText(
  say('fields.subjects'),
  say('fields.studySubjects', { most: MOST_SUBJECTS }),
)

/** Who is studied, where, and on whom. */
export const studyFormSchema = z
  .object({
    id: idSchema,
    testerId: idSchema,
    /** Whom the tester is held against, besides themselves. */
    referenceId: idSchema.nullable(),
    standard: choice(say('fields.landmarkStandard'), LANDMARK_STANDARDS),
    sites: z.array(siteIdSchema, sites).min(1, sites).max(MOST_SITES, sites),
    /** What each subject is called. */
    subjects: z
      .array(requiredText(say('fields.nameSubject'), 40), subjects)
      .min(2, subjects)
      .max(MOST_SUBJECTS, subjects),
  })
  .superRefine((form, context) => {
    if (form.referenceId === form.testerId)
      context.addIssue(
        issueOf(refusal(say('fields.reference'), '', say('fields.anotherTester')), ['referenceId']),
      )
    const twice = form.subjects.find((name, i) => form.subjects.indexOf(name) !== i)
    if (twice !== undefined)
      context.addIssue(
        issueOf(refusal(say('fields.subjects'), twice, say('fields.eachNameOnce')), ['subjects']),
      )
    if (new Set(form.sites).size < form.sites.length)
      context.addIssue(
        issueOf(refusal(say('fields.sites'), '', say('fields.eachSiteOnce')), ['sites']),
      )
  })
export type StudyForm = z.output<typeof studyFormSchema>

/** A reading of a study, as a screen sends it. */
export const studyTrialSchema = z
  .object({
    id: idSchema,
    subject: integerBetween(say('fields.subject'), 0, MOST_SUBJECTS - 1),
    site: siteIdSchema,
    testerId: idSchema,
    trial: z.literal([1, 2], errorText(say('fields.pass'), say('fields.firstOrSecond'))),
    value: numberIn(say('fields.value'), 0.1, 1000),
    typedUnit: choice(say('fields.unit'), TYPED_UNITS),
    typedText: requiredText(say('fields.typed'), 40),
  })
  .superRefine(({ site, value, typedText }, context) => {
    const { hardLow, hardHigh } = limitsOf(site)
    if (value >= hardLow && value <= hardHigh) return
    const accepted = say('fields.toUnit', {
      ...{ low: hardLow, high: hardHigh, unit: unitOfSite(site) },
    })
    context.addIssue(issueOf(refusal(nameOf(site), typedText, accepted), ['value']))
  })
export type NewStudyTrial = z.output<typeof studyTrialSchema>

const step = { subject: z.number(), site: siteIdSchema, tester: z.string() }
const trial = z.union([z.literal(1), z.literal(2)])

/** A study without any figure. */
export const studyHeadSchema = z.object({
  id: idSchema,
  testerId: idSchema,
  referenceId: idSchema.nullable(),
  begunOn: isoDateSchema,
  /** Null while it goes on. */
  endedOn: isoDateSchema.nullable(),
  sites: z.array(siteIdSchema),
  subjects: z.array(z.string()),
  /** Readings that are in, and that there are to be. */
  taken: z.number(),
  wanted: z.number(),
})
export type StudyHead = z.infer<typeof studyHeadSchema>

/** A study as anybody may see it: which readings are in, and the figures of none that is still hidden. */
export const studyViewSchema = studyHeadSchema.extend({
  standard: z.enum(LANDMARK_STANDARDS),
  order: z.array(z.number()),
  /** What is in, without the values. */
  in: z.array(z.object({ ...step, trial })),
  /** Both readings of every tester of the study at a site of a subject. */
  rows: z.array(z.object({ ...step, trials: z.array(z.number()) })),
})
export type StudyView = z.infer<typeof studyViewSchema>

const pairSchema = z.object({
  site: siteIdSchema,
  on: isoDateSchema,
  first: z.number(),
  second: z.number(),
})

const roundParts = {
  kind: choice(say('fields.kind'), PRACTICE_KINDS),
  tries: integerBetween(say('fields.tries'), 1, 100),
  /** mm for a dial, cm for landmarks. */
  error: numberIn(say('fields.error'), 0, 200),
  bias: numberIn(say('fields.bias'), -100, 100).nullable(),
  late: numberIn(say('fields.late'), -60, 600).nullable(),
}
const typed = errorText(say('fields.typed'), say('fields.practiceTyped'))

/** A round of practice, as the screen scored it. */
export const practiceFormSchema = z.object({
  id: idSchema,
  ...roundParts,
  /** Of a dial read to tenths: what was read, mm. */
  typed: z.array(z.number(typed).min(0, typed).max(100, typed), typed).max(100, typed).nullable(),
})
export type PracticeForm = z.output<typeof practiceFormSchema>

const practiceRoundSchema = z.object({
  ...{ id: z.string(), kind: z.enum(PRACTICE_KINDS), on: isoDateSchema, tries: z.number() },
  ...{ error: z.number(), bias: z.number().nullable(), late: z.number().nullable() },
  typed: z.array(z.number()).nullable(),
})
export type PracticeRound = z.infer<typeof practiceRoundSchema>
export const practiceRoundsSchema = z.array(practiceRoundSchema)

/** How steady a tester is, by everything on record. */
export const testerViewSchema = z.object({
  tester: testerSchema,
  /** First and second readings, in the order they were taken: of studies, and of check-ins. */
  fromStudies: z.array(pairSchema),
  fromCheckIns: z.array(pairSchema),
  studies: z.array(studyHeadSchema),
})
export type TesterView = z.infer<typeof testerViewSchema>

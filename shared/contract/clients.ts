import { z } from './zod'
import {
  ageOn,
  BUILDS,
  DEFAULT_CADENCE_DAYS,
  GROUP_TERMS,
  isIsoDate,
  parseHeight,
  LANDMARK_STANDARDS,
  SCREENING_QUESTIONS,
  SKINFOLD_IDS,
  TRAINING,
  isoDateOf,
  say,
} from '../../core/index'
import { siteIdSchema } from './sites'
import {
  choice,
  freeText,
  idSchema,
  integerBetween,
  isoDateSchema,
  pastDateSchema,
  requiredText,
  yesOrNo,
} from './fields'
import { errorText, readBy } from './problems'

const sexSchema = choice(say('fields.sexUsedEquations'), ['male', 'female'])

export const groupTermSchema = choice(say('fields.groupTerm'), GROUP_TERMS)

const OLDEST = 110

const birthDate = errorText(say('fields.birthDate'), say('fields.dateExists19850314'))
const livingDate = errorText(
  say('fields.birthDate'),
  say('fields.datePastMostYearsAgo', { oldest: OLDEST }),
)
const birthDateSchema = z
  .string(birthDate)
  .refine(isIsoDate, { ...birthDate, abort: true })
  .refine((date) => {
    const today = isoDateOf(new Date())
    return date <= today && ageOn(date, today) <= OLDEST
  }, livingDate)

const thisYear = () => new Date().getFullYear()
const birthYear = errorText(
  say('fields.yearBirth'),
  say('fields.yearPastMostYearsAgo', { oldest: OLDEST }),
)
const birthYearSchema = z
  .number(birthYear)
  .int(birthYear)
  .refine((year) => year <= thisYear() && year >= thisYear() - OLDEST, birthYear)

const heightSchema = z
  .string(errorText(say('fields.height'), say('fields.n51070178Cm1')))
  .transform(readBy(parseHeight))

/** A new client as the form and the API take it. The height is the text as typed; the parsed value goes with it. */
export const newClientSchema = z.object({
  id: idSchema,
  name: requiredText(say('fields.name'), 80),
  sex: sexSchema,
  /** Null where it is not known; the year of birth may be. */
  birthDate: birthDateSchema.nullable().default(null),
  birthYear: birthYearSchema.nullable().default(null),
  height: heightSchema.nullable().default(null),
  cadenceDays: integerBetween(say('fields.daysBetweenCheckIns'), 1, 365).default(
    DEFAULT_CADENCE_DAYS,
  ),
})

/** A field that may be left empty. */
const orNothing = <S extends z.ZodType<unknown, string>>(schema: S) =>
  z
    .string()
    .transform((text) => (text.trim() === '' ? null : text))
    .pipe(schema.nullable())

/** The same as a form holds it, whose numbers are text. */
export const clientFormSchema = newClientSchema.omit({ id: true }).extend({
  cadenceDays: z
    .string()
    .transform((text) => Number(text.trim() === '' ? NaN : text))
    .pipe(newClientSchema.shape.cadenceDays.unwrap()),
  // What is not known is left empty.
  birthDate: orNothing(birthDateSchema),
  birthYear: z
    .string()
    .transform((text) => (text.trim() === '' ? null : Number(text)))
    .pipe(birthYearSchema.nullable()),
  height: orNothing(heightSchema),
})

/** What the form holds before it is checked. */
export interface ClientForm extends z.input<typeof clientFormSchema> {
  sex: 'female' | 'male'
}
export type NewClient = z.output<typeof newClientSchema>

const { name, sex, cadenceDays } = newClientSchema.shape

/** Changes of a client; what is not named stays. A height comes with the date from which it counts. */
export const clientChangeSchema = z
  .strictObject({
    ...{ name, sex },
    birthDate: birthDateSchema.nullable(),
    birthYear: birthYearSchema.nullable(),
    height: heightSchema,
    cadenceDays: cadenceDays.unwrap(),
    heightTakenOn: pastDateSchema(say('fields.heightTaken')),
    showPercentages: yesOrNo(say('fields.percentages')),
    cycleWanted: yesOrNo(say('fields.cyclePhase')),
    /** The sources' terms for a group, where the client wants them; null for none. */
    groupTerm: groupTermSchema.nullable(),
    hiddenOnLeaderboards: yesOrNo(say('fields.nameHiddenLeaderboards')),
    /** The last day of the client's week, 0 for Monday; null follows the last day weighed. */
    weekEndsOn: integerBetween(say('fields.weekEnds0Monday'), 0, 6).nullable(),
    /** The next check-in moved to a day; null takes the usual cadence again. */
    nextDueOn: isoDateSchema.nullable(),
    archived: yesOrNo(say('fields.archived')),
  })
  .partial()
export type ClientChange = z.output<typeof clientChangeSchema>

/** Erasing takes the name once more, so that no slip of the thumb erases somebody. */
export const eraseSchema = z.object({ name: requiredText(say('fields.name'), 80) })

/** What lists need of a client. */
export const clientSummarySchema = z.object({
  id: idSchema,
  name: z.string(),
  sex: sexSchema,
  birthDate: isoDateSchema.nullable(),
  /** Where the day is not known. */
  birthYear: z.number().nullable().default(null),
  cadenceDays: z.number(),
})

export const clientSchema = clientSummarySchema.extend({
  /** The latest height on record. */
  heightCm: z.number().nullable(),
  heightUnit: z.string().nullable(),
  /** False where the client sees sums and girths only. */
  showPercentages: z.boolean(),
  cycleWanted: z.boolean(),
  /** The sources' terms for a group, where the client wants them. */
  groupTerm: groupTermSchema.nullable().default(null),
  /** The name is hidden on boards. */
  hiddenOnLeaderboards: z.boolean(),
  weekEndsOn: z.number().nullable(),
  nextDueOn: isoDateSchema.nullable(),
  archived: z.boolean(),
})
export type Client = z.infer<typeof clientSchema>

const FLAGS = SCREENING_QUESTIONS.map(({ flag }) => flag)

/** The private screening; every answer is optional. */
const screeningAnswersSchema = z.object({
  flags: z.array(
    choice(say('fields.screening'), FLAGS),
    errorText(say('fields.screening'), say('fields.list', { value: FLAGS.join(', ') })),
  ),
  closedSites: z
    .array(
      choice(say('fields.site'), SKINFOLD_IDS),
      errorText(say('fields.sites'), say('fields.listFolds')),
    )
    .optional(),
  training: choice(say('fields.training'), TRAINING).optional(),
  build: choice(say('fields.build'), BUILDS).optional(),
  notes: freeText(say('fields.notes'), 2000, true).optional(),
})

/** As it is sent: with an id, so that sending it twice keeps it once. */
export const screeningFormSchema = screeningAnswersSchema.extend({ id: idSchema })

export const screeningSchema = z.object({
  answers: screeningAnswersSchema,
  reviewedOn: isoDateSchema,
})
export type Screening = z.infer<typeof screeningSchema>

export const siteNoteSchema = z.object({
  site: siteIdSchema,
  standard: choice(say('fields.landmarkStandard'), LANDMARK_STANDARDS).nullable(),
  text: freeText(say('fields.siteNote'), 120),
  side: choice(say('fields.side'), ['right', 'left']),
})
export const siteNoteFormSchema = siteNoteSchema.extend({ id: idSchema })
export type SiteNote = z.infer<typeof siteNoteSchema>

/** One change of the record: who, when, what, and from which value to which. */
export const auditEntrySchema = z.object({
  at: z.string(),
  /** Who did it; until people sign in, the computer it was done on. */
  actor: z.string(),
  subject: z.enum(['client', 'check-in', 'reading']),
  /** The day of the check-in, where it is about one. */
  measuredOn: isoDateSchema.nullable(),
  field: z.string(),
  old: z.unknown(),
  new: z.unknown(),
  reason: z.string().nullable(),
})
export type AuditEntry = z.infer<typeof auditEntrySchema>

import { z } from 'zod'
import {
  ageOn,
  BUILDS,
  DEFAULT_CADENCE_DAYS,
  isIsoDate,
  parseHeight,
  LANDMARK_STANDARDS,
  SCREENING_QUESTIONS,
  TRAINING,
} from '../core'
import { idSchema, isoDateSchema, pastDateSchema } from './ids'
import { choice, freeText, readBy, refused, requiredText, yesOrNo } from './problems'
import { siteIdSchema } from './sites'

export const sexSchema = choice('Sex used by the equations', ['male', 'female'])

const OLDEST = 110

const birthDate = refused('Birth date', 'a date that exists, as 1985-03-14')
const birthDateSchema = z.string(birthDate).refine(isIsoDate, birthDate)

const heightSchema = z
  .string(refused('Height', '5\'10", 70 in, 178 cm or 1.78 m'))
  .transform(readBy(parseHeight))

const cadence = refused('Days between check-ins', 'a whole number from 1 to 365')

/**
 * A new client as the form and the API take it. The height is the text as typed; the parsed value goes with it.
 *
 * @param today the date that birth dates are held against
 */
export function newClientSchema(today: string) {
  return z.object({
    name: requiredText('Name', 80),
    sex: sexSchema,
    birthDate: birthDateSchema.refine(
      (date) => {
        if (!isIsoDate(date)) return true
        const age = ageOn(date, today)
        return date <= today && age <= OLDEST
      },
      refused('Birth date', `a date in the past, at most ${OLDEST} years ago`),
    ),
    height: heightSchema,
    cadenceDays: z.coerce
      .number(cadence)
      .int(cadence)
      .min(1, cadence)
      .max(365, cadence)
      .default(DEFAULT_CADENCE_DAYS),
  })
}

/** What the form holds before it is checked. */
export interface NewClientForm extends z.input<ReturnType<typeof newClientSchema>> {
  sex: 'female' | 'male'
}
export type NewClient = z.output<ReturnType<typeof newClientSchema>>

/**
 * Changes of a client; what is not named stays. A height comes with the date from which it counts.
 *
 * @param today the date that dates are held against
 */
export function clientChangeSchema(today: string) {
  const { name, sex, birthDate, cadenceDays } = newClientSchema(today).shape
  return z
    .object({
      name,
      sex,
      birthDate,
      cadenceDays: cadenceDays.unwrap(),
      height: heightSchema,
      heightTakenOn: pastDateSchema('Height taken on'),
      showPercentages: yesOrNo('Percentages'),
      cycleWanted: yesOrNo('Cycle phase'),
      hiddenOnLeaderboards: yesOrNo('Name hidden on boards'),
      /** The next check-in moved to a day; null takes the usual cadence again. */
      nextDueOn: isoDateSchema.nullable(),
      archived: yesOrNo('Archived'),
    })
    .partial()
}
export type ClientChange = z.output<ReturnType<typeof clientChangeSchema>>

/** Erasing takes the name once more, so that no slip of the thumb erases somebody. */
export const eraseSchema = z.object({ name: requiredText('Name', 80) })

/** What lists need of a client. */
export const clientSummarySchema = z.object({
  id: idSchema,
  name: z.string(),
  sex: sexSchema,
  birthDate: isoDateSchema,
  cadenceDays: z.number(),
})
export type ClientSummary = z.infer<typeof clientSummarySchema>

export const clientSchema = clientSummarySchema.extend({
  /** The latest height on record. */
  heightCm: z.number().nullable(),
  heightUnit: z.string().nullable(),
  /** False where the client sees sums and girths only. */
  showPercentages: z.boolean(),
  cycleWanted: z.boolean(),
  /** The name is hidden on boards. */
  hiddenOnLeaderboards: z.boolean(),
  nextDueOn: isoDateSchema.nullable(),
  archived: z.boolean(),
})
export type Client = z.infer<typeof clientSchema>

const FLAGS = SCREENING_QUESTIONS.map(({ flag }) => flag)

/** The private screening; every answer is optional. */
export const screeningAnswersSchema = z.object({
  flags: z.array(choice('Screening', FLAGS), refused('Screening', `a list of ${FLAGS.join(', ')}`)),
  training: choice('Training', TRAINING).optional(),
  build: choice('Build', BUILDS).optional(),
  notes: freeText('Notes', 2000).optional(),
})

export const screeningSchema = z.object({
  answers: screeningAnswersSchema,
  reviewedOn: isoDateSchema,
})
export type Screening = z.infer<typeof screeningSchema>

export const siteNoteSchema = z.object({
  site: siteIdSchema,
  standard: choice('Landmark standard', LANDMARK_STANDARDS).nullable(),
  text: freeText('Own mark', 120),
  side: choice('Side', ['right', 'left']),
})
export type SiteNote = z.infer<typeof siteNoteSchema>

export const recordEventSchema = z.object({
  at: z.string(),
  words: z.string(),
  coach: z.string().nullable(),
})
export type RecordEvent = z.infer<typeof recordEventSchema>

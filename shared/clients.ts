import { z } from 'zod'
import {
  ageOn,
  BUILDS,
  DEFAULT_CADENCE_DAYS,
  isIsoDate,
  parseHeight,
  SCHOOLS,
  SCREENING_QUESTIONS,
  TRAINING,
} from '../core'
import { idSchema, isoDateSchema } from './ids'
import { readBy } from './problems'
import { siteIdSchema } from './sites'

export const sexSchema = z.enum(['male', 'female'], {
  error: 'Sex used by the equations: choose female or male.',
})

const OLDEST = 110

const birthDateSchema = z
  .string({ error: 'Birth date: is missing. Accepted: a date as 1985-03-14.' })
  .refine(isIsoDate, {
    error: ({ input }) =>
      input
        ? `Birth date: got “${input}”. Accepted: a date that exists, as 1985-03-14.`
        : 'Birth date: is missing. Accepted: a date as 1985-03-14.',
  })

const heightSchema = z
  .string({ error: 'Height: is missing. Accepted: 5\'10", 70 in, 178 cm or 1.78 m.' })
  .transform(readBy(parseHeight))

/**
 * A new client as the form and the API take it. The height is the text as typed; the parsed value goes with it.
 *
 * @param today the date that birth dates are held against
 */
export function newClientSchema(today: string) {
  return z.object({
    name: z
      .string({ error: 'Name: is missing. Accepted: 1 to 80 characters.' })
      .trim()
      .min(1, 'Name: is missing. Accepted: 1 to 80 characters.')
      .max(80, 'Name: is too long. Accepted: 1 to 80 characters.'),
    sex: sexSchema,
    birthDate: birthDateSchema.refine(
      (date) => {
        if (!isIsoDate(date)) return true
        const age = ageOn(date, today)
        return date <= today && age <= OLDEST
      },
      {
        error: ({ input }) =>
          `Birth date: got “${input}”. Accepted: a date in the past, at most ${OLDEST} years ago.`,
      },
    ),
    height: heightSchema,
    cadenceDays: z.coerce
      .number({ error: 'Days between check-ins: accepted is a whole number from 1 to 365.' })
      .int('Days between check-ins: accepted is a whole number from 1 to 365.')
      .min(1, 'Days between check-ins: accepted is a whole number from 1 to 365.')
      .max(365, 'Days between check-ins: accepted is a whole number from 1 to 365.')
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
      heightTakenOn: isoDateSchema.refine((date) => date <= today, {
        error: ({ input }) => `Height taken on: got “${input}”. Accepted: today or a date before.`,
      }),
      showPercentages: z.boolean(),
      cycleWanted: z.boolean(),
      hiddenOnBoards: z.boolean(),
      /** The next check-in moved to a day; null takes the usual cadence again. */
      nextDueOn: isoDateSchema.nullable(),
      archived: z.boolean(),
    })
    .partial()
}
export type ClientChange = z.output<ReturnType<typeof clientChangeSchema>>

/** Erasing takes the name once more, so that no slip of the thumb erases somebody. */
export const eraseSchema = z.object({ name: z.string() })

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
  hiddenOnBoards: z.boolean(),
  nextDueOn: isoDateSchema.nullable(),
  archived: z.boolean(),
})
export type Client = z.infer<typeof clientSchema>

const FLAGS = SCREENING_QUESTIONS.map(({ flag }) => flag)

/** The private screening; every answer is optional. */
export const screeningAnswersSchema = z.object({
  flags: z.array(z.enum(FLAGS, { error: 'Screening: there is no such question.' })),
  training: z.enum(TRAINING).optional(),
  build: z.enum(BUILDS).optional(),
  notes: z.string().max(2000, 'Notes: is too long. Accepted: up to 2000 characters.').optional(),
})

export const screeningSchema = z.object({
  answers: screeningAnswersSchema,
  reviewedOn: isoDateSchema,
})
export type Screening = z.infer<typeof screeningSchema>

export const markFormSchema = z.object({
  site: siteIdSchema,
  school: z.enum(SCHOOLS).nullable(),
  text: z.string().trim().max(120, 'Own mark: is too long. Accepted: up to 120 characters.'),
  side: z.enum(['right', 'left'], { error: 'Side: accepted are right and left.' }),
})
export type Mark = z.infer<typeof markFormSchema>

export const recordEventSchema = z.object({
  at: z.string(),
  words: z.string(),
  coach: z.string().nullable(),
})
export type RecordEvent = z.infer<typeof recordEventSchema>

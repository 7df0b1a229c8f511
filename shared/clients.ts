import { z } from 'zod'
import { ageOn, DEFAULT_CADENCE_DAYS, isIsoDate, parseHeight } from '../core'
import { readBy } from './problems'

export const idSchema = z.uuid('Id: accepted is a UUID.')

export const sexSchema = z.enum(['male', 'female'], {
  error: 'Sex used by the equations: choose female or male.',
})

export const isoDateSchema = z
  .string({ error: 'Date: is missing. Accepted: a date as 1985-03-14.' })
  .refine(isIsoDate, {
    error: ({ input }) => `Date: got “${input}”. Accepted: a date that exists, as 1985-03-14.`,
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
    height: z
      .string({ error: 'Height: is missing. Accepted: 5\'10", 70 in, 178 cm or 1.78 m.' })
      .transform(readBy(parseHeight)),
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

export const clientSchema = z.object({
  id: idSchema,
  name: z.string(),
  sex: sexSchema,
  birthDate: isoDateSchema,
  cadenceDays: z.number(),
  heightCm: z.number().nullable(),
  heightUnit: z.string().nullable(),
})
export type Client = z.infer<typeof clientSchema>

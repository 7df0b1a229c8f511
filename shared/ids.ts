import { z } from 'zod'
import { isIsoDate } from '../core'

export const idSchema = z.uuid('Id: accepted is a UUID.')

export const isoDateSchema = z
  .string({ error: 'Date: is missing. Accepted: a date as 1985-03-14.' })
  .refine(isIsoDate, {
    error: ({ input }) => `Date: got “${input}”. Accepted: a date that exists, as 1985-03-14.`,
  })

import { z } from 'zod'
import { InputError, parseWeighIns, type TypedWeighIn } from '../core'
import { isoDateSchema } from './ids'

/** Weigh-ins as typed or pasted, read in the core's words. */
export const weighInsFormSchema = z
  .object({
    text: z.string().max(20_000, 'Weigh-ins: is too long. Accepted: up to 20,000 characters.'),
    /** The day of the last one. */
    last: isoDateSchema,
    unit: z.enum(['kg', 'lb'], { error: 'Unit: accepted are kg and lb.' }),
  })
  .transform(({ text, last, unit }, context): TypedWeighIn[] => {
    try {
      return parseWeighIns(text, last, unit)
    } catch (error) {
      if (!(error instanceof InputError)) throw error
      context.addIssue({ code: 'custom', message: error.message, path: ['text'] })
      return z.NEVER
    }
  })

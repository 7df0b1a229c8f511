import { z } from './zod'
import { InputError, parseWeighIns, type TypedWeighIn } from '../../core/index'
import { choice, pastDateSchema } from './fields'
import { errorText } from './problems'

const text = errorText('Weigh-ins', 'one mass a day, up to 20,000 characters')

/**
 * Weigh-ins as typed or pasted, read in the core's words. Apart from the weigh-in itself: a check-in that knows the last
 * one need not carry the reading of dates.
 */
export const weighInsFormSchema = z
  .object({
    text: z.string(text).max(20_000, text),
    /** The day of the last one. */
    last: pastDateSchema('Day of the last'),
    unit: choice('Unit', ['kg', 'lb']),
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

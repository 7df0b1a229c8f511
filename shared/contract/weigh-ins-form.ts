import { z } from './zod'
import { InputError, parseWeighIns, type TypedWeighIn, say } from '../../core/index'
import { choice, pastDateSchema } from './fields'
import { errorText, issueOf } from './problems'

const text = errorText(say('fields.weighIns'), say('fields.oneMassDayUp20'))

/**
 * Weigh-ins as typed or pasted, read in the core's words. Apart from the weigh-in itself: a check-in that knows the last
 * one need not carry the reading of dates.
 */
export const weighInsFormSchema = z
  .object({
    text: z.string(text).max(20_000, text),
    /** The day of the last one. */
    last: pastDateSchema(say('fields.dayLast')),
    unit: choice(say('fields.unit'), ['kg', 'lb']),
  })
  .transform(({ text, last, unit }, context): TypedWeighIn[] => {
    try {
      return parseWeighIns(text, last, unit)
    } catch (error) {
      if (!(error instanceof InputError)) throw error
      context.addIssue(issueOf(error, ['text']))
      return z.NEVER
    }
  })

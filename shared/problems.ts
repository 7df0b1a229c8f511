import { z } from 'zod'
import { InputError } from '../core'

/** One thing wrong with one field, in words for the person at the screen. */
export const problemSchema = z.object({ field: z.string(), message: z.string() })
export type Problem = z.infer<typeof problemSchema>

/** The body of every 4xx answer. */
export const problemsSchema = z.object({ problems: z.array(problemSchema) })

/** The issues of a failed parse as problems, in the words that the form shows too. */
export function problemsOf(error: z.ZodError): Problem[] {
  return error.issues.map(({ path, message }) => ({ field: path.join('.'), message }))
}

/**
 * Turns a core parser into a step of a schema: its result on success, its words as the issue on failure.
 *
 * @param parse throws InputError on bad text
 */
export function readBy<T>(parse: (text: string) => T) {
  return (text: string, context: z.RefinementCtx): T => {
    try {
      return parse(text)
    } catch (error) {
      if (!(error instanceof InputError)) throw error
      context.addIssue({ code: 'custom', message: error.message })
      return z.NEVER
    }
  }
}

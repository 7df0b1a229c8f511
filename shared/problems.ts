import { z } from 'zod'
import { InputError, refusal } from '../core'

/** One thing wrong with one field, in words for the person at the screen. */
export const problemSchema = z.object({ field: z.string(), message: z.string() })
export type Problem = z.infer<typeof problemSchema>

/**
 * The words of a schema for what it refuses: the field, what was got and what is accepted.
 *
 * @param label how a person calls the field
 */
export function refused(label: string, accepted: string) {
  return { error: ({ input }: { input?: unknown }) => refusal(label, input, accepted) }
}

/** One of a few words. */
export function choice<const T extends readonly string[]>(label: string, options: T) {
  return z.enum(options, refused(label, options.join(', ')))
}

/** Text of one to so many characters. */
export function requiredText(label: string, longest: number) {
  const words = refused(label, `1 to ${longest} characters`)
  return z.string(words).trim().min(1, words).max(longest, words)
}

/** Text of up to so many characters, or none. */
export function freeText(label: string, longest: number) {
  const words = refused(label, `up to ${longest} characters`)
  return z.string(words).trim().max(longest, words)
}

export const yesOrNo = (label: string) => z.boolean(refused(label, 'yes or no'))

/** A number within bounds. */
export function numberIn(label: string, low: number, high: number, unit = '') {
  const words = refused(label, `${low} to ${high}${unit && ` ${unit}`}`)
  return z.number(words).min(low, words).max(high, words)
}

export function integerBetween(label: string, low: number, high: number) {
  const words = refused(label, `a whole number from ${low} to ${high}`)
  return z.number(words).int(words).min(low, words).max(high, words)
}

export function above0(label: string) {
  const words = refused(label, 'a number above 0')
  return z.number(words).positive(words)
}

/** The body of every 4xx answer. */
export const problemsSchema = z.object({ problems: z.array(problemSchema) })

/** The issues of a failed parse as problems, in the words that the form shows too. */
export function problemsOf(error: z.ZodError): Problem[] {
  return error.issues.map((issue) => ({ field: issue.path.join('.'), message: wordsOf(issue) }))
}

const FORMS: Record<string, string> = { object: 'named fields', array: 'a list' }

/** The words of an issue; where the schema has none of its own, as for a body that is no object, these. */
function wordsOf(issue: z.core.$ZodIssue): string {
  if (issue.message.includes('ccepted: ')) return issue.message
  const { expected } = issue as { expected?: string }
  const label = String(issue.path.at(-1) ?? 'Body')
  const accepted = FORMS[expected ?? ''] ?? expected ?? 'another value'
  return `${label[0]!.toUpperCase()}${label.slice(1)}: got something of another form. Accepted: ${accepted}.`
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

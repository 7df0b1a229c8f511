import { z } from './zod'
import { InputError, refusal } from '../../core/index'

/** One thing wrong with one field: words for the person at the screen, and what they are made of. */
export const problemSchema = z.object({
  field: z.string(),
  message: z.string(),
  /** Why, for a program: `refused` for a value, else what stands in the way. */
  code: z.string().optional(),
  /** What was got, as far as it can be shown in a line. */
  got: z.string().optional(),
  accepted: z.string().optional(),
})
export type Problem = z.infer<typeof problemSchema>

/** The body of every 4xx and 5xx answer. */
export const problemsSchema = z.object({ problems: z.array(problemSchema) })

/** What a schema of ours says of a value that it refuses; carried by the issue beside its words. */
interface Said {
  label: string
  accepted: string
  got?: string
}

/** What was got is told up to this many characters. */
const SHOWN = 60

function shown(got: unknown): string | undefined {
  if (got === undefined || got === null || typeof got === 'object') return undefined
  return String(got).slice(0, SHOWN)
}

/**
 * The words of a schema for what it refuses: the field, what was got and what is accepted.
 *
 * @param label how a person calls the field
 */
export function errorText(label: string, accepted: string) {
  return {
    error: (issue: object) => {
      const { input } = issue as { input?: unknown }
      Object.assign(issue, { said: { label, accepted, got: shown(input) } satisfies Said })
      return refusal(label, input, accepted)
    },
  }
}

const FORMS: Record<string, string> = { object: 'named fields', array: 'a list' }

type Issue = z.core.$ZodIssue & { said?: Said; expected?: string }

/** An issue of a schema that has no words of its own, as for a body that is no object. */
function unworded({ path, expected }: Issue): Said {
  const name = String(path.at(-1) ?? 'body')
  return {
    label: `${name[0]!.toUpperCase()}${name.slice(1)}`,
    accepted: FORMS[expected ?? ''] ?? expected ?? 'another value',
  }
}

function problemOf(issue: Issue): Problem {
  const field = issue.path.join('.')
  if (issue.said) {
    const { accepted, got } = issue.said
    const { message } = issue
    return { field, message, code: 'refused', accepted, ...(got === undefined ? {} : { got }) }
  }
  if (issue.code === 'custom') return { field, message: issue.message, code: 'refused' }
  const { label, accepted } = unworded(issue)
  return { field, message: refusal(label, {}, accepted), code: 'refused', accepted }
}

/** The issues of a failed parse as problems, in the words that the form shows too. */
export function problemsOf(error: z.ZodError): Problem[] {
  return error.issues.map(problemOf)
}

/** An error of the core as a problem. */
export function problemOfInput({ input, message, accepted, got }: InputError): Problem {
  const seen = shown(got)
  return {
    ...{ field: input, message, code: 'refused' },
    ...(accepted === undefined ? {} : { accepted }),
    ...(seen === undefined ? {} : { got: seen }),
  }
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

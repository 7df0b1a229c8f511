import { z } from './zod'
import { InputError, refusal, say, type Words } from '../../core/index'
import type { Untold } from '../words/tell'

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
/** A problem whose words are not told yet. */
export type SaidProblem = Untold<Problem>

/** The body of every 4xx and 5xx answer. */
export const problemsSchema = z.object({ problems: z.array(problemSchema) })

/** What a schema of ours says of a value that it refuses; carried by the issue beside its words. */
interface Said {
  words: Words
  accepted?: Words
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
 * @param gotOf what of the input is told of, where that is a part of it
 */
export function errorText(label: Words, accepted: Words, gotOf = (input: unknown) => input) {
  return {
    error: (issue: object) => {
      const input = gotOf((issue as { input?: unknown }).input)
      const words = refusal(label, input, accepted)
      Object.assign(issue, { said: { words, accepted, got: shown(input) } satisfies Said })
      return 'refused'
    },
  }
}

const FORMS: Record<string, Words> = {
  object: say('fields.namedFields'),
  array: say('fields.aListOfThem'),
}

type Issue = z.core.$ZodIssue & { said?: Said; expected?: string; params?: { said?: Said } }

/** An issue of a schema that has no words of its own, as for a body that is no object. */
function unworded({ path, expected }: Issue): Said {
  const name = String(path.at(-1) ?? 'body')
  const label = say('fields.text', { name: name[0]!.toUpperCase(), value: name.slice(1) })
  const accepted = FORMS[expected ?? ''] ?? expected ?? say('fields.anotherValue')
  return { words: refusal(label, {}, accepted), accepted }
}

function problemOf(issue: Issue): SaidProblem {
  const { words, accepted, got } = issue.said ?? issue.params?.said ?? unworded(issue)
  return {
    ...{ field: issue.path.join('.'), message: words, code: 'refused' },
    ...(accepted === undefined ? {} : { accepted }),
    ...(got === undefined ? {} : { got }),
  }
}

/** What an issue says of its field. */
export const saidOfIssue = (issue: Issue): Words => problemOf(issue).message

/** The issues of a failed parse as problems, in the words that the form shows too. */
export function problemsOf(error: z.ZodError): SaidProblem[] {
  return error.issues.map(problemOf)
}

const saidOf = ({ said, accepted, got }: InputError): Said => {
  const seen = shown(got)
  return {
    words: said,
    ...(accepted === undefined ? {} : { accepted }),
    ...(seen === undefined ? {} : { got: seen }),
  }
}

/** An error of the core as a problem. */
export function problemOfInput(error: InputError): SaidProblem {
  const { words, ...more } = saidOf(error)
  return { field: error.input, message: words, code: 'refused', ...more }
}

/** An issue that says what the core says of it, or a message of ours. */
export const issueOf = (error: InputError | Words, path: PropertyKey[] = []) => ({
  code: 'custom' as const,
  path,
  params: { said: error instanceof InputError ? saidOf(error) : { words: error } },
})

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
      context.addIssue(issueOf(error))
      return z.NEVER
    }
  }
}

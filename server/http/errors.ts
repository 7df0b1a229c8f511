import { ZodError } from 'zod'
import { InputError } from '#core'
import { problemOfInput, problemsOf, type Problem } from '#shared/contract/problems'

/** A request that is refused, with the status and the words that the screen shows. */
export class Refusal extends Error {
  override readonly name = 'Refusal'

  constructor(
    readonly status: 400 | 404 | 405 | 409 | 413 | 415 | 422,
    message: string,
    readonly more: Partial<Problem> = {},
  ) {
    super(message)
  }
}

/** The thing asked for is not there. */
export function notFound(what: string, code = 'not-found'): Refusal {
  return new Refusal(404, what, { code })
}

/** The thing asked for is not possible as things stand. */
export function conflict(message: string, code: string, field = ''): Refusal {
  return new Refusal(409, message, { code, field })
}

interface Answer {
  status: number
  problems: Problem[]
}

const one = (status: number, message: string, code: string): Answer => ({
  status,
  problems: [{ field: '', message, code }],
})

/** What the database says of a value that the schemas let through: a constraint is the last line, not the first. */
const CONSTRAINTS: Record<string, [status: number, message: string, code: string]> = {
  '23505': [
    409,
    'This is on record already, or was changed meanwhile. Load the page again.',
    'duplicate',
  ],
  '23503': [404, 'Something that this names is not on record (any more).', 'not-found'],
  '23514': [422, 'A value lies outside what can be kept.', 'refused'],
  '22003': [422, 'A number is too large to be kept.', 'refused'],
  '22021': [422, 'A text holds a sign that cannot be kept.', 'refused'],
  '22P05': [422, 'A text holds a sign that cannot be kept.', 'refused'],
}

function databaseCode(error: unknown): string | undefined {
  for (let cause = error; cause instanceof Error; cause = cause.cause) {
    const { code } = cause as { code?: unknown }
    if (typeof code === 'string' && code in CONSTRAINTS) return code
  }
  return undefined
}

/**
 * What is answered to an error, in words. Anything that nobody foresaw is a fault of ours: it says so without a stack
 * trace, and the log names the route and the kind of error, never what was sent.
 *
 * @param where method and path of the route, with its parameters as names
 */
export function answerTo(error: unknown, where: string): Answer {
  if (error instanceof ZodError) return { status: 422, problems: problemsOf(error) }
  if (error instanceof InputError) return { status: 422, problems: [problemOfInput(error)] }
  if (error instanceof Refusal) {
    const { status, message, more } = error
    return { status, problems: [{ field: '', message, ...more }] }
  }
  const code = databaseCode(error)
  if (code) return one(...CONSTRAINTS[code]!)
  console.error(`${where}: ${error instanceof Error ? error.name : typeof error}`)
  return one(
    500,
    'Something went wrong on the server, and nothing was stored. Try it again.',
    'fault',
  )
}

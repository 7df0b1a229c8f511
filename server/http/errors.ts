import { ZodError } from 'zod'
import { InputError, say, type Words } from '#core'
import { codeOf, diskTrouble, RecordTrouble } from '../database/trouble'
import { problemOfInput, problemsOf, type SaidProblem } from '#shared/contract/problems'

/** A request that is refused, with the status and the words that the screen shows. */
export class Refusal extends Error {
  override readonly name = 'Refusal'

  constructor(
    readonly status: 400 | 401 | 403 | 404 | 405 | 409 | 413 | 415 | 422 | 429,
    readonly said: Words,
    readonly more: Partial<SaidProblem> = {},
  ) {
    super(`refused with ${status}`)
  }
}

/** The thing asked for is not there. */
export function notFound(what: Words, code = 'not-found'): Refusal {
  return new Refusal(404, what, { code })
}

/** The thing asked for is not possible as things stand. */
export function conflict(message: Words, code: string, field = ''): Refusal {
  return new Refusal(409, message, { code, field })
}

interface Answer {
  status: number
  problems: SaidProblem[]
}

const one = (status: number, message: Words, code: string): Answer => ({
  status,
  problems: [{ field: '', message, code }],
})

/** What the database says of a value that the schemas let through: a constraint is the last line, not the first. */
const CONSTRAINTS: Record<string, [status: number, message: Words, code: string]> = {
  '23505': [409, say('api.recordAlreadyWasChangedMeanwhile'), 'duplicate'],
  '23503': [404, say('api.somethingNamesRecordAnyMore'), 'not-found'],
  '23514': [422, say('api.valueLiesOutsideWhatCan'), 'refused'],
  '22003': [422, say('api.numberTooLargeKept'), 'refused'],
  '22021': [422, say('api.textHoldsSignCannotKept'), 'refused'],
  '22P05': [422, say('api.textHoldsSignCannotKept'), 'refused'],
}

/** What is said of a change that the disk did not take; nothing of it was stored. */
const DISK_WORDS = { full: say('api.diskFull'), 'read-only': say('api.diskReadOnly') }

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
    const { status, said, more } = error
    return { status, problems: [{ field: '', message: said, ...more }] }
  }
  if (error instanceof RecordTrouble) return one(503, error.said, `record-${error.kind}`)
  const disk = diskTrouble(error)
  if (disk) return one(507, DISK_WORDS[disk], `record-${disk}`)
  const code = codeOf(error, CONSTRAINTS)
  if (code) return one(...CONSTRAINTS[code]!)
  console.error(`${where}: ${error instanceof Error ? error.name : typeof error}`)
  return one(500, say('api.somethingWentWrongServerNothing'), 'fault')
}

import { isMessage, say, type Message, type Value, type Words } from './say'

/** Why an input was refused; lets a caller react without reading the words. */
export type InputProblem =
  | 'missing'
  | 'not-a-number'
  | 'ambiguous'
  | 'impossible'
  | 'unknown'
  | 'wrong-standard'
  | 'outside-domain'

/**
 * The one error that the core throws for bad input.
 *
 * What it says names the input, what was got and what is accepted, as a message that a form can tell as it is.
 */
export class InputError extends Error {
  override readonly name = 'InputError'

  /**
   * @param input name of the input as the caller knows it: `ageYears`, `chest`, `height` ...
   * @param problem the kind of problem
   * @param said to the person at the screen
   * @param got what was received, if anything
   * @param accepted what would have been accepted
   */
  constructor(
    readonly input: string,
    readonly problem: InputProblem,
    readonly said: Message,
    readonly got?: unknown,
    readonly accepted?: Words,
  ) {
    // For a log: people read what is said.
    super(`${input}: ${problem}`)
  }
}

/**
 * Builds the error in the project's usual wording: what to do first, then what was got.
 *
 * @param input name of the input
 * @param label how a person calls it: "Height", "Chest fold"
 */
export function inputError(
  input: string,
  problem: InputProblem,
  label: Words,
  got: unknown,
  accepted: Words,
): InputError {
  return new InputError(input, problem, refusal(label, got, accepted), got, accepted)
}

/** The usual wording alone. */
export function refusal(label: Words, got: unknown, accepted: Words): Message {
  // What could not be read as a number is none: nobody is shown NaN.
  const none = got === undefined || got === null || got === '' || Number.isNaN(got)
  return none
    ? say('errors.missing', { label, accepted })
    : say('errors.refused', { label, accepted, got: quote(got) })
}

/** What was got is shown up to this many characters. */
const SHOWN = 60

function quote(got: unknown): Value {
  if (typeof got === 'string') {
    const text = got.length > SHOWN ? `${got.slice(0, SHOWN)}…` : got
    return say('errors.quoted', { text })
  }
  if (Array.isArray(got)) return say('errors.aList', { count: got.length })
  if (typeof got === 'number') return got
  if (typeof got !== 'object' || got === null) return String(got)
  // What the core says of what was got, in place of what it was.
  return isMessage(got) ? got : say('errors.anotherForm')
}

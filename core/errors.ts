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
 * The message names the input, what was got and what is accepted, in words that a form can show as they are.
 */
export class InputError extends Error {
  override readonly name = 'InputError'

  /**
   * @param input name of the input as the caller knows it: `ageYears`, `chest`, `height` ...
   * @param problem the kind of problem
   * @param message words for the person at the screen
   * @param got what was received, if anything
   * @param accepted what would have been accepted
   */
  constructor(
    readonly input: string,
    readonly problem: InputProblem,
    message: string,
    readonly got?: unknown,
    readonly accepted?: string,
  ) {
    super(message)
  }
}

/**
 * Builds the error in the project's usual wording: what, what was got, what is accepted.
 *
 * @param input name of the input
 * @param label how a person calls it: "Height", "Chest fold"
 */
export function inputError(
  input: string,
  problem: InputProblem,
  label: string,
  got: unknown,
  accepted: string,
): InputError {
  return new InputError(input, problem, refusal(label, got, accepted), got, accepted)
}

/** The usual wording alone: what, what was got, what is accepted. */
export function refusal(label: string, got: unknown, accepted: string): string {
  // What could not be read as a number is none: nobody is shown NaN.
  const none = got === undefined || got === null || got === '' || Number.isNaN(got)
  const shown = none ? 'is missing' : `got ${quote(got)}`
  return `${label}: ${shown}. Accepted: ${accepted}.`
}

/** What was got is shown up to this many characters. */
const SHOWN = 60

function quote(got: unknown): string {
  if (typeof got === 'string') return `“${got.length > SHOWN ? `${got.slice(0, SHOWN)}…` : got}”`
  if (Array.isArray(got)) return `a list of ${got.length}`
  return typeof got === 'object' ? 'something of another form' : String(got)
}

import { InputError } from './errors'

/** A result, or the typed error in its place: errors as values, for screens and lists that go on without the result. */
export type Outcome<T> = { ok: true; value: T } | { ok: false; error: InputError }

/**
 * Runs a computation that may refuse its input.
 *
 * @returns the value, or the InputError; any other error is a fault and is thrown on
 */
export function attempt<T>(compute: () => T): Outcome<T> {
  try {
    return { ok: true, value: compute() }
  } catch (error) {
    if (error instanceof InputError) return { ok: false, error }
    throw error
  }
}

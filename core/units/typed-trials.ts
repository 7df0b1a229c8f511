import type { Typed } from './parse'
import type { InputError } from '../errors'
import { type Outcome, attempt } from '../outcome'

/** The readings of one site as they were typed, and what they come to. */
export interface TypedTrials {
  trials: Typed[]
  /** Their mean, in the canonical unit of the kind. */
  value: number
}

/** Strokes and semicolons part readings; among fractions of an inch semicolons alone do. */
const BETWEEN = /\s*[/;]\s*/
const BETWEEN_FRACTIONS = /\s*;\s*/

/**
 * Reads one number or some readings of it: `12.5`, or `12/13` for two whose mean counts. A text that is one number as it
 * stands is that number: `32 1/4` in inches is no pair of readings.
 *
 * @param read reads one number; it refuses what the site cannot be
 * @param strokeIsFraction false where a stroke never means a fraction, as for folds in millimetres
 */
export function parseTrials(
  text: string,
  read: (one: string) => Typed,
  strokeIsFraction: boolean,
): Outcome<TypedTrials> {
  const whole = attempt(() => read(text))
  const fractions = strokeIsFraction && text.includes(';')
  const parts = text.trim().split(fractions ? BETWEEN_FRACTIONS : BETWEEN)
  if (parts.length === 1 || (whole.ok && strokeIsFraction)) {
    return whole.ok
      ? { ok: true, value: { trials: [whole.value], value: whole.value.value } }
      : whole
  }
  const trials: Typed[] = []
  let refused: InputError | undefined
  for (const part of parts) {
    const one = attempt(() => read(part))
    if (one.ok) trials.push(one.value)
    else refused ??= one.error
  }
  // A text that is neither one number nor readings is refused as a whole, so that the words show all of it.
  if (refused) return { ok: false, error: whole.ok ? refused : whole.error }
  const value = trials.reduce((total, trial) => total + trial.value, 0) / trials.length
  return { ok: true, value: { trials, value } }
}

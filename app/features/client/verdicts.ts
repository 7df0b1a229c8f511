import type { Certainty, RecordVerdict } from '#core'

/** How sure a change is, in a word. */
export const CERTAINTY_WORDS: Record<Certainty, string> = {
  clear: 'clear',
  likely: 'likely',
  'no change': 'no change that matters',
  'cannot tell': 'cannot tell',
}

/** A time in weeks in words: days where it is short. */
export const spanText = (weeks: number) =>
  weeks < 2 ? `${Math.round(weeks * 7)} days` : `${Math.round(weeks)} weeks`

/** The same steps as the record's. */
export const VERDICT_OF: Record<Certainty, RecordVerdict> = {
  ...{ clear: 'clear', likely: 'likely' },
  ...{ 'no change': 'no-change', 'cannot tell': 'not-yet' },
}

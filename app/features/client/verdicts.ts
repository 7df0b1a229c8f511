import type { Certainty, Verdict } from '#core'

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

/** Sign and certainty as a shape: filled where it is clear, hollow where it is likely. */
export function shapeOf({ certainty, change }: Pick<Verdict, 'certainty' | 'change'>): string {
  if (certainty === 'no change') return '='
  if (certainty === 'cannot tell') return '?'
  const [down, up] = certainty === 'clear' ? ['▼', '▲'] : ['▽', '△']
  return change < 0 ? down! : up!
}

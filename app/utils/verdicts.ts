import type { Sureness, Verdict } from '#core'

/** How sure a change is, in a word. */
export const SURENESS_WORDS: Record<Sureness, string> = {
  clear: 'clear',
  likely: 'likely',
  'no change': 'no change that matters',
  'cannot tell': 'cannot tell',
}

/** Sign and sureness as a shape: filled where it is clear, hollow where it is likely. */
export function shapeOf({ sureness, change }: Pick<Verdict, 'sureness' | 'change'>): string {
  if (sureness === 'no change') return '='
  if (sureness === 'cannot tell') return '?'
  const [down, up] = sureness === 'clear' ? ['▼', '▲'] : ['▽', '△']
  return change < 0 ? down! : up!
}

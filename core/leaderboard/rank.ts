/**
 * What a board ranks by: the sums (of all folds of the set, or of the equation's) in mm, masses in kg, fat % in points, the
 * waist in cm.
 */
export const BOARD_MEASURES = [
  'fatPercent',
  'fatMass',
  'sum',
  'equationSum',
  'recomposition',
  'bodyMass',
  'waist',
] as const
export type BoardMeasure = (typeof BOARD_MEASURES)[number]

/** Measures that a client who sees sums and girths only is never ranked by. */
export function showsComposition(measure: BoardMeasure): boolean {
  return measure !== 'sum' && measure !== 'bodyMass' && measure !== 'waist'
}

/** Standard errors beyond which two are apart: 99 in 100 who are alike read less. */
const APART_AT = 2.58

/** One client's change over the period of a board. */
export interface Contender {
  id: string
  /** Later less earlier. */
  change: number
  sd: number
}

/** Why some share a place. */
export interface Tie {
  /** How many do. */
  count: number
  /** What lies between the first and the last of them. */
  spread: number
  /** What would have to lie between the first and another for them to be clearly apart; the most of the group. */
  clearFrom: number
}

export interface Placed<C extends Contender> {
  entry: C
  /** From 1; the whole of a tie group has the place of its first. */
  place: number
  /** Why others share the place; null where nobody does. */
  tie: Tie | null
}

/** What counts for more: a loss, but for the net swing a gain. */
function worth({ change }: Contender, measure: BoardMeasure): number {
  return measure === 'recomposition' ? change : -change
}

/** @param group the first first */
function tieOf(group: readonly Contender[], measure: BoardMeasure): Tie | null {
  const [first, ...others] = group
  if (!first || others.length === 0) return null
  const apart = others.map((other) => Math.abs(worth(first, measure) - worth(other, measure)))
  return {
    count: group.length,
    spread: Math.max(...apart),
    clearFrom: APART_AT * Math.max(...others.map((other) => Math.hypot(first.sd, other.sd))),
  }
}

/**
 * Ranks by change. A tie group is all whose difference from its first is not clear (2.58 standard errors of the
 * difference), so that nobody wins by the tester's error.
 *
 * @returns best first
 */
export function rank<C extends Contender>(
  entries: readonly C[],
  measure: BoardMeasure,
): Placed<C>[] {
  const left = [...entries].sort((a, b) => worth(b, measure) - worth(a, measure))
  const placed: Placed<C>[] = []
  while (left.length > 0) {
    const first = left[0]!
    const group = left.filter((other) => {
      const apart = Math.abs(worth(first, measure) - worth(other, measure))
      const error = Math.hypot(first.sd, other.sd)
      return other === first || apart <= APART_AT * error
    })
    const place = placed.length + 1
    const tie = tieOf(group, measure)
    for (const entry of group) {
      placed.push({ entry, place, tie })
      left.splice(left.indexOf(entry), 1)
    }
  }
  return placed
}

import { age } from './basis'
import type { AgeRow, Term, Variant } from './types'

export function isRows(terms: Term[] | AgeRow[]): terms is AgeRow[] {
  return terms[0] !== undefined && 'terms' in terms[0]
}

/** Whether an equation counts age, so that it cannot do without. */
export const countsAge = ({ terms }: Pick<Variant, 'terms'>): boolean =>
  isRows(terms) || terms.some(({ of }) => of === age || of.of?.includes(age))

import { age, group } from './basis'
import type { AgeRow, Basis, Term, Variant } from './types'

export function isRows(terms: Term[] | AgeRow[]): terms is AgeRow[] {
  return terms[0] !== undefined && 'terms' in terms[0]
}

/** Whether an equation counts age, so that it cannot do without. */
export const countsAge = ({ terms }: Pick<Variant, 'terms'>): boolean =>
  isRows(terms) || reads(terms, age)

/** Whether an equation has a term of its source for Black people. */
export const countsGroup = ({ terms }: Pick<Variant, 'terms'>): boolean =>
  !isRows(terms) && reads(terms, group)

const reads = (terms: readonly Term[], basis: Basis): boolean =>
  terms.some(({ of }) => of === basis || of.of?.includes(basis))

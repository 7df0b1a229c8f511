import type { Basis, Term } from './types'

export const constant: Basis = { label: '1', value: () => 1 }
export const sum: Basis = { label: 'S', value: (x) => x.sum }
export const sumSquared: Basis = { label: 'S²', value: (x) => x.sum * x.sum }
export const age: Basis = { label: 'age', value: (x) => x.age }

/** Pairs a coefficient with what it multiplies, so that an equation reads like its printed form. */
export function term(coefficient: number, of: Basis): Term {
  return { coefficient, of }
}

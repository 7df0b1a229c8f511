import type { EntryErrorContext } from './finding'
import { logNormal, timeFactor } from './likelihood'

const LEAN_SWING_KG = 1
export const MASS_SWING_KG = 0.85

/** What the change in body mass says about the common change of the folds. */
export function massEvidence({ massAt, massKg, weeks }: EntryErrorContext) {
  if (!massAt || massKg === undefined) return undefined
  const variance = MASS_SWING_KG ** 2 + (LEAN_SWING_KG * timeFactor(weeks)) ** 2
  return (change: number) => logNormal(massKg, massAt(change), variance)
}

import type { EntryErrorContext } from './finding'
import { SESSION_SHARE, logNormal, timeFactor } from './likelihood'

const LEAN_SWING_KG = 1
/** A change of the folds that is small enough for the slope. */
const STEP = 0.01
const MASS_SWING_KG = 0.85

/** What the change in body mass says about the common change of the folds. */
export function massEvidence({ massAt, massKg, weeks }: EntryErrorContext) {
  if (!massAt || massKg === undefined) return undefined
  // Body mass follows the folds' true change, and not what the day and the handling add to all of them.
  const perChange = (massAt(STEP) - massAt(-STEP)) / (2 * STEP)
  const variance =
    MASS_SWING_KG ** 2 + (LEAN_SWING_KG * timeFactor(weeks)) ** 2 + (SESSION_SHARE * perChange) ** 2
  return (change: number) => logNormal(massKg, massAt(change), variance)
}

import type { LandmarkStandard, SkinfoldId } from '../ids'
import { DW } from './dw'
import { GYM } from './gym'
import { INT } from './int'
import type { Landmark } from './landmark'
import { US } from './us'

export type { FoldDirection, Landmark } from './landmark'

/** Every landmark of every standard. A value belongs to site and standard together. */
export const LANDMARKS: readonly Landmark[] = [...US, ...INT, ...DW, ...GYM]

/**
 * How a standard lands a skinfold.
 *
 * @returns the landmark, or undefined where that standard does not use the site
 */
export function landmarkOf(site: SkinfoldId, standard: LandmarkStandard): Landmark | undefined {
  return LANDMARKS.find((l) => l.site === site && l.standard === standard)
}

import type { LandmarkStandard, SkinfoldId } from '../ids'
import { CZECH } from './czech'
import { DW } from './dw'
import { GYM } from './gym'
import { INT } from './int'
import type { Landmark, Technique } from './landmark'
import { US } from './us'

export type { FoldDirection, Landmark, Technique } from './landmark'

/** Every landmark of every standard. A value belongs to site and standard together. */
export const LANDMARKS: readonly Landmark[] = [...US, ...INT, ...DW, ...CZECH, ...GYM]

/**
 * How a standard lands a skinfold.
 *
 * @returns the landmark, or undefined where that standard does not use the site, as for one of a coach's own
 */
export function landmarkOf(site: SkinfoldId, standard: LandmarkStandard): Landmark | undefined {
  return LANDMARKS.find((l) => l.site === site && l.standard === standard)
}

/** The standard that lands a fold in a sheet of one: that one, or the first that does where it does not. */
export const standardFor = (site: SkinfoldId, standard: LandmarkStandard): LandmarkStandard =>
  (landmarkOf(site, standard) ?? LANDMARKS.find((l) => l.site === site)!).standard

/** The ways that a standard allows for a fold, its own first; none where it has but one. */
export const techniquesOf = (site: SkinfoldId, standard: LandmarkStandard): readonly Technique[] =>
  landmarkOf(site, standard)?.techniques ?? []

import type { LandmarkStandard, Sex, SkinfoldId } from '../ids'
import { nameOf } from '../names'

export type FoldDirection = 'vertical' | 'diagonal' | 'horizontal'

/** One of several ways to take a fold, by its name and in words. */
export interface Technique {
  name: string
  how: string
}

/** How one standard lands and lifts one skinfold. */
export interface Landmark {
  site: SkinfoldId
  standard: LandmarkStandard
  name: string
  direction: FoldDirection
  /** Which way the fold runs, in words for the figure's caption. */
  runs: string
  /** Where it is, for somebody standing beside the client. */
  where: Record<Sex, string>
  /** Distance from the point it is named after, where the standard gives one. */
  offset?: string
  /** Posture while it is taken. */
  posture: string
  /** How to find it, where that takes a trick. */
  finding?: string
  side: 'right'
  /** Other ways in use, in words. */
  variants?: string[]
  /** The ways that the standard itself allows, its own first: one is chosen and kept. */
  techniques?: Technique[]
}

type Details = Pick<Landmark, 'direction' | 'runs' | 'posture'> &
  Partial<Pick<Landmark, 'offset' | 'finding' | 'variants' | 'techniques'>> & {
    where: string | Record<Sex, string>
  }

export function landmark(site: SkinfoldId, standard: LandmarkStandard, details: Details): Landmark {
  const { where } = details
  return {
    site,
    standard,
    name: nameOf(site),
    side: 'right',
    ...details,
    where: typeof where === 'string' ? { male: where, female: where } : where,
  }
}

import type { Message, Words } from '../../say'
import type { LandmarkStandard, Sex, SkinfoldId } from '../ids'
import { nameOf } from '../names'

export type FoldDirection = 'vertical' | 'diagonal' | 'horizontal'

/** One of several ways to take a fold, by its name and in words. */
export interface Technique {
  /** What a record keeps of it. */
  id: string
  name: Message
  how: Message
}

/** How one standard lands and lifts one skinfold. */
export interface Landmark {
  site: SkinfoldId
  standard: LandmarkStandard
  name: Words
  direction: FoldDirection
  /** Which way the fold runs, in words for the figure's caption. */
  runs: Message
  /** Where it is, for somebody standing beside the client. */
  where: Record<Sex, Message>
  /** Distance from the point it is named after, where the standard gives one. */
  offset?: Message
  /** Posture while it is taken. */
  posture: Message
  /** How to find it, where that takes a trick. */
  finding?: Message
  side: 'right'
  /** Other ways in use, in words. */
  variants?: Message[]
  /** The ways that the standard itself allows, its own first: one is chosen and kept. */
  techniques?: Technique[]
}

type Details = Pick<Landmark, 'direction' | 'runs' | 'posture'> &
  Partial<Pick<Landmark, 'offset' | 'finding' | 'variants' | 'techniques'>> & {
    where: Message | Record<Sex, Message>
  }

export function landmark(site: SkinfoldId, standard: LandmarkStandard, details: Details): Landmark {
  const { where } = details
  return {
    site,
    standard,
    name: nameOf(site),
    side: 'right',
    ...details,
    where: 'male' in where ? where : { male: where, female: where },
  }
}

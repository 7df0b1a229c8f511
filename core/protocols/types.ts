import type { Message, Words } from '../say'
import type { BoneId, GirthId, LandmarkStandard, Sex, SiteId, SkinfoldId } from '../anatomy/ids'
import type { TrialScheme } from './trial-scheme'
import type { SiteWording } from './wording'

/** What is measured together, in which order and by which rules. */
export interface Protocol {
  id: string
  /** The coach's own words for a set of the coach's own. */
  name: Words
  /** When it is the one to take, in a sentence. */
  when: Message
  standard: LandmarkStandard
  folds: Record<Sex, SkinfoldId[]>
  girths: Record<Sex, GirthId[]>
  /** Breadths and lengths, in the order in which they are taken. */
  bones: Record<Sex, BoneId[]>
  /** Height and body mass, where an equation or index of the set wants them. */
  wants: ('height' | 'mass')[]
  /** How folds are taken and what their trials give. */
  foldTrials: TrialScheme
  /** The same of girths, breadths and lengths. */
  girthTrials: TrialScheme
  /** Seconds from the closing of the jaws to the reading; null for a caliper that is read at its click. */
  readingDelaySeconds: [number, number] | null
  /** What the set calls a site and where it lies, where that is not the standard's. */
  wording: Readonly<Partial<Record<SiteId, SiteWording>>>
  /** The equations it feeds, the one it is meant for first; empty where there is only a record to keep. */
  equations: Record<Sex, string[]>
}

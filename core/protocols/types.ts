import type { GirthId, LandmarkStandard, Sex, SkinfoldId } from '../anatomy/ids'

/**
 * How far apart two trials of a site may be: millimetres (folds) or centimetres (girths), or a percentage, which may
 * never ask for less than `atLeast` (one graduation of the instrument).
 */
export type Tolerance =
  { kind: 'mm' | 'cm'; value: number } | { kind: 'percent'; value: number; atLeast?: number }

/** What three trials give: the mean of the pair that agrees (US, gym) or their median (INT). */
export type ThirdTrialRule = 'agreeing pair' | 'median'

/** What is measured together, in which order and by which rules. */
export interface Protocol {
  id: string
  name: string
  /** When it is the one to take, in a sentence. */
  when: string
  standard: LandmarkStandard
  folds: Record<Sex, SkinfoldId[]>
  girths: Record<Sex, GirthId[]>
  /** Height and body mass, where an equation or index of the set wants them. */
  wants: ('height' | 'mass')[]
  /** Times that every fold is taken, one whole rotation after another. */
  rounds: number
  tolerance: Tolerance
  thirdTrial: ThirdTrialRule
  /** Times that every girth is taken. */
  girthRounds: number
  girthTolerance: Tolerance
  /** Seconds from the closing of the jaws to the reading. */
  readingDelaySeconds: [number, number]
  /** The equations it feeds, the one it is meant for first; empty where there is only a record to keep. */
  equations: Record<Sex, string[]>
}

import type { School, Sex, SkinfoldId } from '../anatomy/ids'

/** How far apart two trials of a site may be. */
export type Tolerance = { kind: 'mm'; value: number } | { kind: 'percent'; value: number }

/** What is measured together, in which order and by which rules. */
export interface Protocol {
  id: string
  name: string
  school: School
  folds: Record<Sex, SkinfoldId[]>
  /** Times that every site is taken, one whole rotation after another. */
  passes: number
  tolerance: Tolerance
  /** Seconds from the closing of the jaws to the reading. */
  readingDelaySeconds: [number, number]
  /** The equation it is meant for first. */
  equationId: string
}

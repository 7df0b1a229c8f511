/**
 * How far apart two trials of a site may be: millimetres (folds) or centimetres (girths), or a percentage, which may
 * never ask for less than `atLeast` (one graduation of the instrument).
 */
export type Tolerance =
  { kind: 'mm' | 'cm'; value: number } | { kind: 'percent'; value: number; atLeast?: number }

/** Every site once and then all again, or all trials of one site before the next. */
export const TRIAL_ORDERS = ['rounds', 'one site'] as const
export type TrialOrder = (typeof TRIAL_ORDERS)[number]

/** What three trials or more give: the mean of all, their median, or the mean of the two that are closest. */
export const TRIAL_VALUES = ['mean', 'median', 'closest two'] as const
export type TrialValue = (typeof TRIAL_VALUES)[number]

/** No site is read more often than this. */
export const MOST_TRIALS = 5

/** How the trials of a set's folds, or of its girths, are taken and what they give. */
export interface TrialScheme {
  order: TrialOrder
  /** Trials that are always taken, 1 to 5. */
  count: number
  /** Where they do not agree, one more is taken until two do, up to so many, 1 to 5; `count` asks for none. */
  most: number
  tolerance: Tolerance
  /** What three or more give; two give their mean. */
  value: TrialValue
  /** A first reading of each site is taken, kept on record as trial 0, and counts for nothing. */
  dropsFirst: boolean
}

/** How often a site is read at least. */
export const readingsAtLeast = ({ count, dropsFirst }: TrialScheme): number =>
  count + (dropsFirst ? 1 : 0)

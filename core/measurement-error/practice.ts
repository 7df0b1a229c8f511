import { mean, rootMeanSquare } from 'simple-statistics'

/*
 * Practice without a client: a fold that creeps under the jaws as fat does, read at two seconds, and what last digits say
 * of how a dial is read. Nothing of it says how well somebody picks up a fold.
 */

/** What is practised: reading a dial, and finding landmarks on a drawn figure. */
export const PRACTICE_KINDS = ['dial', 'landmarks'] as const

/** A fold under the jaws of a caliper. */
export interface PracticeFold {
  /** What it reads at once, mm. */
  first: number
  /** What it comes to rest at, mm. */
  settled: number
  /** How long it takes to come two thirds of the way, seconds. */
  seconds: number
}

/** When a caliper is read after its jaws closed, seconds. Common practice, no source. */
export const READ_AT_SECONDS = 2

/** What the dial reads so many seconds after the jaws closed, mm. */
export const dialAt = ({ first, settled, seconds }: PracticeFold, after: number): number =>
  settled + (first - settled) * Math.exp(-Math.max(0, after) / seconds)

/**
 * A fold to practise on: 6 to 36 mm, a tenth to a quarter more at first, at rest within a few seconds. Judgement, no source.
 *
 * @param random from 0 up to 1
 */
export function practiceFold(random: () => number): PracticeFold {
  const settled = 6 + 30 * random()
  return { settled, first: settled * (1.1 + 0.15 * random()), seconds: 0.8 + 1.6 * random() }
}

/** What became of one reading of the dial. */
export interface DialTry {
  /** What the dial read at two seconds, mm. */
  truth: number
  typed: number
  /** Seconds from the closing of the jaws to the moment that the reader took. */
  after: number
}

/** How the dial was read. */
export interface DialScore {
  tries: number
  /** Root of the mean squared error, mm. */
  error: number
  /** Mean of typed less true, mm: what is always read too high or too low. */
  bias: number
  /** Mean of the seconds by which it was read late; less than nothing where early. */
  late: number
}

/** @returns undefined where nothing was tried */
export function dialScore(tries: readonly DialTry[]): DialScore | undefined {
  if (tries.length === 0) return undefined
  const off = tries.map(({ truth, typed }) => typed - truth)
  return {
    tries: tries.length,
    error: rootMeanSquare(off),
    bias: mean(off),
    late: mean(tries.map(({ after }) => after - READ_AT_SECONDS)),
  }
}

/** How often each last digit was read, and whether that is more uneven than chance. */
export interface LastDigits {
  /** Of 0 to 9. */
  counts: number[]
  /** Undefined while there are too few to tell. */
  isUneven: boolean | undefined
  /** Digits that were read far more often than the tenth that each would have, the most frequent first. */
  favourites: number[]
}

/** Chi squared of nine degrees of freedom that chance exceeds one time in twenty. */
const CHI_SQUARED_9 = 16.919
/** Expected of each digit, so that chi squared holds. Common practice, no source. */
const LEAST_EXPECTED = 5
/** Standard deviations beyond a tenth. Judgement, no source. */
const FAR_MORE = 2.5

/**
 * Last digits of readings to the tenth of a millimetre: people round to 0 and 5 without knowing it.
 *
 * @param values mm, each read to a tenth
 */
export function lastDigits(values: readonly number[]): LastDigits {
  const counts = new Array<number>(10).fill(0)
  for (const value of values) counts[Math.round(value * 10) % 10]!++
  const expected = values.length / 10
  if (expected < LEAST_EXPECTED) return { counts, isUneven: undefined, favourites: [] }
  const chi = counts.reduce((sum, count) => sum + (count - expected) ** 2 / expected, 0)
  const isUneven = chi > CHI_SQUARED_9
  const far = Math.sqrt(values.length * 0.1 * 0.9) * FAR_MORE
  const favourites = counts
    .map((count, digit) => ({ count, digit }))
    .filter(({ count }) => isUneven && count - expected > far)
    .sort((a, b) => b.count - a.count)
    .map(({ digit }) => digit)
  return { counts, isUneven, favourites }
}

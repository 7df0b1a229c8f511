import type { KnownFold, Sex } from '../anatomy/ids'
import { type LocatedValue, isSamePlace } from '../anatomy/landmark-standards'
import { WITHERS_SEVEN } from '../equations/withers'

/*
 * The sum of seven international folds of 102 men and 100 women, athletes of the Australian Institute of Sport: Telford
 * RD, Cunningham RB, Med Sci Sports Exerc 1991;23:788-794, free as the data set `ais` of R's package sn. The ages are not
 * in it, so there is one column for each sex. No free reference of sums by age is known here.
 */

/** The folds that the sum is of, by the international standard. */
export const ATHLETE_FOLDS: readonly KnownFold[] = WITHERS_SEVEN

const STEP = 5
const FIRST = 5

/** Sums under which 5, 10, … 95 in 100 of them are, mm; between two athletes interpolated. */
export const ATHLETE_SUMS: Record<Sex, readonly number[]> = {
  male: [
    30.9, 31.9, 34.0, 34.8, 37.5, 41.0, 42.4, 43.5, 44.6, 47.7, 49.3, 51.1, 52.8, 56.3, 58.1, 61.7,
    67.0, 75.9, 95.9,
  ],
  female: [
    42.3, 46.3, 49.8, 54.6, 59.3, 66.4, 70.8, 75.0, 78.7, 81.8, 90.3, 97.0, 98.4, 102.8, 107.4,
    110.3, 116.2, 126.4, 149.3,
  ],
}

/** Where a sum lies among athletes. */
export interface SumAmongAthletes {
  /** Sum of the seven folds, mm; a set may have more. */
  mm: number
  /** How many in 100 athletes of that sex have more, 5 to 95: beyond the table it is the outermost. */
  haveMore: number
  /** The sum is beyond the outermost. */
  beyond: boolean
}

/**
 * The place of a sum of folds among athletes of the same sex.
 *
 * @param measured site values with the landmark standard and the way they were taken in
 * @returns null where one of the seven folds is not there in the international standard's own way
 */
export function sumAmongAthletes(
  measured: readonly LocatedValue[],
  sex: Sex,
): SumAmongAthletes | null {
  let mm = 0
  for (const site of ATHLETE_FOLDS) {
    const fold = measured.find((m) => isSamePlace(m, { site, standard: 'int', technique: null }))
    if (!fold) return null
    mm += fold.value
  }
  const sums = ATHLETE_SUMS[sex]
  const above = sums.findIndex((sum) => sum >= mm)
  const under = (place: number) => FIRST + STEP * place
  if (above <= 0) {
    const leanest = above === 0
    const place = leanest ? 0 : sums.length - 1
    return { mm, haveMore: 100 - under(place), beyond: mm !== sums[place] }
  }
  const [low, high] = [sums[above - 1]!, sums[above]!]
  const share = under(above - 1) + (STEP * (mm - low)) / (high - low)
  return { mm, haveMore: 100 - share, beyond: false }
}

import { say } from '../say'
import { mean } from 'simple-statistics'
import { inputError } from '../errors'

/**
 * Technical error of measurement of pairs: sqrt(sum d² / 2n).
 * Perini TA et al., Rev Bras Med Esporte 2005;11:81-85 (from memory).
 *
 * @param pairs two trials of one subject each, in one unit
 * @returns in the unit of the trials
 * @throws InputError naming `pairs` when there are none
 */
export function temOfPairs(pairs: readonly (readonly [number, number])[]): number {
  if (pairs.length === 0)
    throw inputError(
      'pairs',
      'missing',
      say('precision.pairsTrials'),
      undefined,
      say('precision.onePairMore'),
    )
  const squares = pairs.reduce((total, [a, b]) => total + (a - b) ** 2, 0)
  return Math.sqrt(squares / (2 * pairs.length))
}

/**
 * Technical error of k trials each: sqrt( sum over subjects [sum x² - (sum x)²/k] / (n (k - 1)) ). For pairs it is
 * `temOfPairs`.
 *
 * @param subjects the trials of each subject; every subject the same number k of 2 or more
 * @throws InputError naming `subjects`
 */
export function temOfTrials(subjects: readonly (readonly number[])[]): number {
  const k = subjects[0]?.length ?? 0
  if (k < 2 || subjects.some((trials) => trials.length !== k)) {
    throw inputError(
      'subjects',
      'impossible',
      say('precision.trialsEachSubject'),
      `${k}`,
      say('precision.sameNumber2MoreEvery'),
    )
  }
  // About each subject's mean, which is the printed form without its loss of digits.
  const within = subjects.reduce((total, trials) => {
    const centre = mean([...trials])
    return total + trials.reduce((sum, x) => sum + (x - centre) ** 2, 0)
  }, 0)
  return Math.sqrt(within / (subjects.length * (k - 1)))
}

/** %TEM = 100 TEM / grand mean. @param tem in the unit of the mean @param grandMean above zero */
export function percentTem(tem: number, grandMean: number): number {
  if (!(grandMean > 0))
    throw inputError(
      'grandMean',
      'impossible',
      say('precision.grandMean'),
      grandMean,
      say('precision.above0'),
    )
  return (100 * tem) / grandMean
}

/**
 * Coefficient of reliability R = 1 - TEM² / SD².
 *
 * @param sd standard deviation between subjects, in the unit of the TEM, above zero
 */
export function reliability(tem: number, sd: number): number {
  if (!(sd > 0))
    throw inputError(
      'sd',
      'impossible',
      say('precision.standardDeviation'),
      sd,
      say('precision.above0'),
    )
  return 1 - tem ** 2 / sd ** 2
}

export type TesterLevel = 'beginner' | 'skilled'

/**
 * Acceptable %TEM. Perini TA et al., Rev Bras Med Esporte 2005;11:81-85 (from memory).
 *
 * @param of folds, or everything else
 * @param between true between two testers, false within one
 */
export function acceptablePercentTem(
  of: 'skinfold' | 'other',
  level: TesterLevel,
  between = false,
): number {
  const table = {
    skinfold: { beginner: [7.5, 10], skilled: [5, 7.5] },
    other: { beginner: [1.5, 2], skilled: [1, 1.5] },
  } as const
  return table[of][level][between ? 1 : 0]
}

/** Pairs a site from which the tester's own error counts alone. Judgement. */
const PAIRS_TO_TRUST = 20

/**
 * The tester's own repeat error, blended in variance with the usual one until there are twenty pairs.
 *
 * @param own from the tester's duplicates, mm or cm; undefined where there are none
 * @param pairs how many duplicates it stands on
 * @param usual the usual error, in the same unit
 */
export function blendedRepeatError(own: number | undefined, pairs: number, usual: number): number {
  if (own === undefined || pairs <= 0) return usual
  const weight = Math.min(pairs / PAIRS_TO_TRUST, 1)
  return Math.sqrt(weight * own ** 2 + (1 - weight) * usual ** 2)
}

import { mean, sampleStandardDeviation } from 'simple-statistics'
import type { SiteId } from '../anatomy/ids'
import { type Expectation, type Trials, repeatAt } from './likelihood'

/** How much worse than assumed a hand may be on a day, with how often that is. Judgement. */
const HANDS: readonly { factor: number; share: number }[] = [
  { factor: 1, share: 0.6 },
  { factor: 1.3, share: 0.16 },
  { factor: 1.6, share: 0.1 },
  { factor: 2, share: 0.09 },
  { factor: 2.5, share: 0.05 },
]

/** Log density of Student's t with 5 degrees of freedom, without its constant: one slip must not make a bad hand. */
const logTail = (z: number) => -3 * Math.log(1 + (z * z) / 5)

/**
 * By how much the trials of a sheet are more apart than was assumed of this hand. A sheet that scatters everywhere has no
 * slip at every site: it has another tester, or a person who is hard to measure.
 *
 * @returns to multiply every error by: 1 or more, and 1.3 where no site has two trials
 */
export function handOf(trials: Trials, known: Expectation): number {
  const scatters = [...trials].flatMap(([site, values]) => scatterOf(site, values, known) ?? [])
  const weights = HANDS.map(({ factor, share }) =>
    scatters.reduce((sum, z) => sum + logTail(z / factor) - Math.log(factor), Math.log(share)),
  )
  const most = Math.max(...weights)
  const likely = weights.map((weight) => Math.exp(weight - most))
  const total = likely.reduce((a, b) => a + b, 0)
  return HANDS.reduce((sum, { factor }, i) => sum + (factor * likely[i]!) / total, 0)
}

const USUAL_HAND = HANDS.reduce((sum, { factor, share }) => sum + factor * share, 0)

/** How much worse the other sites of a sheet make a hand than is usual, squared: where all scatter, no site stands out. */
export const worseThanUsual = (others: Trials, known: Expectation) =>
  Math.max(1, handOf(others, known) / USUAL_HAND) ** 2

/** How far the trials of a site lie about their mean, in errors. */
function scatterOf(site: SiteId, values: readonly number[], known: Expectation) {
  if (values.length < 2) return undefined
  return sampleStandardDeviation([...values]) / repeatAt(site, mean([...values]), known)
}

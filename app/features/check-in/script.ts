/** What of a check-in decides what the client is told before it. */
export interface ScriptFor {
  /** How many folds and girths the set has, and how often each is taken. */
  folds: number
  girths: number
  rounds: number
  girthRounds: number
  /** Whether the set estimates body fat, and the client may see it. */
  estimates: boolean
  /** A client who is to be measured with care: no numbers aloud, no mirror. */
  sensitive: boolean
}

const TIMES = ['', 'once', 'twice', 'three times', 'four times', 'five times']
const times = (count: number) => TIMES[count] ?? `${count} times`

/** What the client is told before the first reading: of what is really done, to whom. */
export function scriptFor(set: ScriptFor): string[] {
  const { folds, girths, rounds, girthRounds, estimates, sensitive } = set
  const tape = `a tape round ${girths === 1 ? 'one place' : `${girths} places`}, ${times(girthRounds)} each`
  return [
    ...(folds
      ? [
          `I pinch skin and fat at ${folds} marked places and read a caliper, ${times(rounds)} each.`,
          ...(girths ? [`Then I put ${tape}.`] : []),
        ]
      : girths
        ? [`I put ${tape}. It lies flat and does not press.`]
        : ['I only weigh you today.']),
    estimates
      ? 'It estimates body fat within a few points, and is better at tracking change than at the exact level.'
      : 'We follow these numbers over the weeks; one day says little.',
    ...(sensitive
      ? ['I write the numbers down and say none of them aloud; you need not see any.']
      : []),
    'You may stop at any time and keep on what you like. Nobody else sees the numbers.',
    folds
      ? 'Shorts and a sports top; skin dry, no lotion.'
      : 'Thin clothes that sit close, the same each time.',
  ]
}

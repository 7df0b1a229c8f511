import type { JudgedHorizon, Look } from './record'
import { spokenOf } from './headline'

/** How the time since last goes on from what was before it. */
export type PaceSinceLast = 'on-the-line' | 'faster' | 'slower' | 'turned'

/** Change and weeks from the beginning of a phase to the check-in before the newest. */
const before = (
  phase: JudgedHorizon,
  last: JudgedHorizon,
  name: keyof JudgedHorizon['changes'],
) => ({
  change: phase.changes[name]!.change - last.changes[name]!.change,
  weeks: phase.weeks - last.weeks,
})

/**
 * Whether what is followed first went on since last time as it had gone before: on the line while the difference is
 * within a standard deviation of the change since last.
 *
 * @returns undefined where there is no time before the last check-in to compare it with
 */
export function paceSinceLast(look: Look): PaceSinceLast | undefined {
  const { last, first } = look.horizons
  const [spoken] = spokenOf(look, 'last')
  // A phase that began at the last check-in has nothing before it: the whole record has.
  const line = [look.horizons.phase, first].find(
    (horizon) => horizon && last && horizon.weeks > last.weeks,
  )
  if (!last || !spoken || !line?.changes[spoken.quantity]) return undefined
  const { change, weeks } = before(line, last, spoken.quantity)
  const expected = (change / weeks) * last.weeks
  if (Math.abs(spoken.change - expected) <= spoken.sd) return 'on-the-line'
  if (spoken.change * expected < 0) return 'turned'
  return Math.abs(spoken.change) > Math.abs(expected) ? 'faster' : 'slower'
}

import { say } from '../say'
import { inputError } from '../errors'

/** Weeks at need between stretches of change: a diet break, or a longer time of maintenance. */
export interface Breaks {
  /** Weeks of change before each of them. */
  every: number
  /** Weeks that each lasts. */
  weeks: number
}

/** Longer ones are called maintenance. Judgement. */
export const LONGEST_BREAK_WEEKS = 2

/** What the two are called, and the least and the most that they may be. */
export const BREAK_LIMITS = {
  every: [say('planning.weeksBeforeBreak'), 2, 26],
  weeks: [say('planning.weeksBreak'), 1, 12],
} as const

/** @throws InputError naming `breakEvery` or `breakWeeks` */
export function checkedBreaks(breaks: Breaks): Breaks {
  for (const key of ['every', 'weeks'] as const) {
    const [label, low, high] = BREAK_LIMITS[key]
    const got = breaks[key]
    if (!(Number.isInteger(got) && got >= low && got <= high)) {
      const input = key === 'every' ? 'breakEvery' : 'breakWeeks'
      throw inputError(input, 'impossible', label, got, say('planning.wholeNumber', { low, high }))
    }
  }
  return breaks
}

/** A hair of a week, so that rounding makes no stretch longer than it is. */
export const HAIR = 1e-9

/** Weeks from the first to the last, with the breaks between, for so many weeks of change. */
export function weeksWithBreaks(moving: number, breaks: Breaks | undefined): number {
  if (!breaks) return moving
  return moving + breaks.weeks * Math.max(0, Math.ceil(moving / breaks.every - HAIR) - 1)
}

/** Weeks of change that lie in so many weeks from the first: what of a plan is done by then. */
export function movingWeeks(weeks: number, breaks: Breaks | undefined): number {
  if (!breaks) return weeks
  const cycle = breaks.every + breaks.weeks
  const full = Math.floor(weeks / cycle)
  return full * breaks.every + Math.min(breaks.every, weeks - full * cycle)
}

/** True in a week (0 is the first) that is one of a break. */
export const isBreakWeek = (week: number, breaks: Breaks | undefined): boolean =>
  breaks !== undefined && week % (breaks.every + breaks.weeks) >= breaks.every

/**
 * What of a plan's change is done after so many weeks.
 *
 * @param of the weeks of the whole plan, breaks among them
 * @returns 0 to 1
 */
export function shareDone(weeks: number, of: number, breaks: Breaks | undefined): number {
  if (weeks <= 0) return 0
  return Math.min(1, movingWeeks(weeks, breaks) / movingWeeks(of, breaks))
}

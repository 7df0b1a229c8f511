import type { Sex } from '../anatomy/ids'
import {
  type Goal,
  type StartingPoint,
  type Target,
  fatPercentOfStart,
  massOfStart,
  targetsOf,
} from './goal'
import { isContestLean } from './safety-rules'
import { type Pace, gainBand, kgAWeek, lossBand } from './pace'
import { type IsoDate, addDays, daysBetween } from '../units/dates'

export type PhaseKind = 'cut' | 'gain' | 'hold' | 'peak week' | 'way back'

/** A stretch of a plan. */
export interface Phase {
  kind: PhaseKind
  from: IsoDate
  to: IsoDate
  weeks: number
  words: string
}

export interface Timeline {
  direction: 'loss' | 'gain' | 'hold'
  target: Target
  /** Weeks at the pace asked for, and the day that they end. */
  weeks: number
  doneOn: IsoDate
  /** Weeks at the fast end of the band, and the earliest day that is sensible. */
  fastestWeeks: number
  earliest: IsoDate
  /** With a date: the latest day to begin at the fast end, and at the pace asked for. */
  latestStart?: IsoDate
  startAtPace?: IsoDate
  verdict: 'no date' | 'feasible' | 'feasible at the fast end' | 'not feasible'
  phases: Phase[]
}

/** No plan runs longer than this; a longer one is planned in parts. */
const LONGEST_WEEKS = 156
const DAYS = 7

/**
 * Whole and part weeks to a body mass at a pace, the pace taken anew each week from the body of that week, so that per
 * cent of body mass shrink with it; lean is held.
 */
function weeksTo(
  goal: Target,
  start: StartingPoint,
  paceOf: (body: { fatKg: number; leanKg: number }) => number,
): number {
  const { leanKg } = start
  let { fatKg } = start
  let left = goal.massKg - (fatKg + leanKg)
  const sign = Math.sign(left)
  let weeks = 0
  while (sign * left > 1e-9 && weeks < LONGEST_WEEKS) {
    const step = paceOf({ fatKg, leanKg })
    if (!(step > 0)) return LONGEST_WEEKS
    const part = Math.min(1, Math.abs(left) / step)
    const change = sign * step * part
    fatKg = Math.max(0.1, fatKg + change)
    left -= change
    weeks += part
  }
  return Math.min(weeks, LONGEST_WEEKS)
}

/**
 * The timeline of a goal both ways: from a pace to a day, and from a day back to the latest sensible start.
 *
 * @param pace of body mass a week; a loss or a gain as the goal asks
 * @param peakWeek keeps the last week before the date for rest and food as usual, without water games
 * @throws InputError as `targetsOf` does
 */
export function timelineOf(
  goal: Goal,
  start: StartingPoint,
  pace: Pace,
  today: IsoDate,
  { peakWeek = false } = {},
): Timeline {
  const { constantLean: target } = targetsOf(goal, start)
  const difference = target.massKg - massOfStart(start)
  const direction =
    goal.kind === 'holdLean' || Math.abs(difference) < 0.05
      ? 'hold'
      : difference < 0
        ? 'loss'
        : 'gain'
  const band = direction === 'gain' ? gainBand : lossBand
  const weeks = direction === 'hold' ? 0 : weeksTo(target, start, (body) => kgAWeek(pace, body))
  const fastestWeeks = direction === 'hold' ? 0 : weeksTo(target, start, (body) => band(body).fast)
  const peak = peakWeek && goal.date ? DAYS : 0
  const later = (n: number) => Math.ceil(n * DAYS) + peak
  const doneOn = addDays(today, later(weeks))
  const earliest = addDays(today, later(fastestWeeks))
  const verdict = !goal.date
    ? 'no date'
    : doneOn <= goal.date
      ? 'feasible'
      : earliest <= goal.date
        ? 'feasible at the fast end'
        : 'not feasible'
  return {
    ...{ direction, target, weeks, doneOn, fastestWeeks, earliest, verdict },
    ...(goal.date
      ? {
          latestStart: addDays(goal.date, -later(fastestWeeks)),
          startAtPace: addDays(goal.date, -later(weeks)),
        }
      : {}),
    phases: [
      ...phasesOf(direction, today, weeks, goal.date, peak > 0),
      ...wayBack(target, start.sex, direction, goal.date),
    ],
  }
}

/** Nobody stays at contest leanness longer than this. Common practice, no source. */
const WAY_BACK_WEEKS = 4

/** After a contest: the way back up is a part of the plan. */
function wayBack(
  target: Target,
  sex: Sex,
  direction: Timeline['direction'],
  date: IsoDate | undefined,
): Phase[] {
  const lean = isContestLean(sex, fatPercentOfStart(target))
  if (!lean || direction !== 'loss' || date === undefined) return []
  return [
    {
      ...{ kind: 'way back', from: date, to: addDays(date, DAYS * WAY_BACK_WEEKS) },
      weeks: WAY_BACK_WEEKS,
      words:
        'Food goes up to need over four weeks, and fat with it: nobody stays at contest leanness.',
    },
  ]
}

/** Cut or gain from today, hold until the date, and a peak week before it where it is wanted. */
function phasesOf(
  direction: Timeline['direction'],
  today: IsoDate,
  weeks: number,
  date: IsoDate | undefined,
  peak: boolean,
): Phase[] {
  const phases: Phase[] = []
  const add = (kind: PhaseKind, from: IsoDate, to: IsoDate, words: string) => {
    const days = daysBetween(from, to)
    if (days > 0) phases.push({ kind, from, to, weeks: days / DAYS, words })
  }
  const end = addDays(today, Math.ceil(weeks * DAYS))
  const before = date && peak ? addDays(date, -DAYS) : date
  if (direction !== 'hold') {
    add(
      direction === 'loss' ? 'cut' : 'gain',
      today,
      end,
      direction === 'loss'
        ? 'Deficit, protein high, strength training kept.'
        : 'Small surplus, strength training leads.',
    )
  }
  if (before && end < before) {
    add('hold', end, before, 'Food at need: holds what was won, and is room for a bad week.')
  }
  if (date && peak) {
    const from = before! > end ? before! : end
    add(
      'peak week',
      from,
      addDays(from, DAYS),
      'Rest, sleep and food as usual. No water, salt or sauna games: they are dangerous, and the scale is not the goal.',
    )
  }
  return phases
}

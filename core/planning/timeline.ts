import { type Message, say, dayValue, sentences } from '../say'
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
import {
  type Breaks,
  HAIR,
  LONGEST_BREAK_WEEKS,
  checkedBreaks,
  movingWeeks,
  weeksWithBreaks,
} from './breaks'
import { inputError } from '../errors'
import { type Pace, gainBand, kgAWeek, lossBand } from './pace'
import { type IsoDate, addDays, daysBetween } from '../units/dates'

export type PhaseKind = 'cut' | 'gain' | 'break' | 'maintenance' | 'hold' | 'peak week' | 'way back'

/** A stretch of a plan. */
export interface Phase {
  kind: PhaseKind
  from: IsoDate
  to: IsoDate
  weeks: number
  words: Message
}

export interface Timeline {
  direction: 'loss' | 'gain' | 'hold'
  target: Target
  /** Weeks at the pace asked for, breaks among them, and the day that they end. */
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
/** Less than this is no change of body mass, kg. */
const LEAST_CHANGE_KG = 0.05

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

export interface TimelineOptions {
  /** Keeps the last week before the date for rest and food as usual, without water games. */
  peakWeek?: boolean
  breaks?: Breaks
}

/** Whether a goal is a loss or a gain of body mass, or neither. */
function directionOf(goal: Goal, differenceKg: number): Timeline['direction'] {
  if (goal.kind === 'holdLean' || Math.abs(differenceKg) < LEAST_CHANGE_KG) return 'hold'
  return differenceKg < 0 ? 'loss' : 'gain'
}

/**
 * The timeline of a goal both ways: from a pace to a day, and from a day back to the latest sensible start.
 *
 * @param pace of body mass a week; a loss or a gain as the goal asks
 * @param from the day that the plan starts
 * @throws InputError as `targetsOf` and `checkedBreaks` do
 */
export function timelineOf(
  goal: Goal,
  start: StartingPoint,
  pace: Pace,
  from: IsoDate,
  { peakWeek = false, breaks: asked }: TimelineOptions = {},
): Timeline {
  const { aim: target } = targetsOf(goal, start)
  const breaks = asked && checkedBreaks(asked)
  const direction = directionOf(goal, target.massKg - massOfStart(start))
  const band = direction === 'gain' ? gainBand : lossBand
  const moving = direction === 'hold' ? 0 : weeksTo(target, start, (body) => kgAWeek(pace, body))
  const weeks = weeksWithBreaks(moving, breaks)
  const fastest = direction === 'hold' ? 0 : weeksTo(target, start, (body) => band(body).fast)
  const fastestWeeks = weeksWithBreaks(fastest, breaks)
  const peak = peakWeek && goal.date ? DAYS : 0
  const later = (n: number) => daysOf(n) + peak
  const doneOn = addDays(from, later(weeks))
  const earliest = addDays(from, later(fastestWeeks))
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
      ...changeAndBreaks(direction, from, moving, breaks),
      ...untilTheDay(dayAfterWeeks(from, weeks), goal, peak > 0),
      ...wayBack(target, start.sex, direction, goal.date),
    ],
  }
}

/** Days that so many weeks take, whole ones; a hair over is rounding, and no day more. */
const daysOf = (weeks: number) => Math.ceil(weeks * DAYS - HAIR)

/** The day on which so many weeks from another are over. */
export const dayAfterWeeks = (from: IsoDate, weeks: number): IsoDate => addDays(from, daysOf(weeks))

/** Whole weeks from a day to another. */
export const weeksOut = (from: IsoDate, to: IsoDate) => Math.floor(daysBetween(from, to) / DAYS)

/**
 * The pace that a goal's own day asks for, the same mass every week; the week before it and the breaks are left out.
 *
 * @throws InputError naming `date` where there is none, or it leaves no time; `targetsOf` and `checkedBreaks` besides
 */
export function paceByDay(
  goal: Goal,
  start: StartingPoint,
  from: IsoDate,
  { peakWeek = false, breaks }: TimelineOptions = {},
): Pace {
  const differenceKg = Math.abs(targetsOf(goal, start).aim.massKg - massOfStart(start))
  if (!goal.date) {
    throw inputError(
      'date',
      'missing',
      say('planning.dayGoal'),
      undefined,
      say('planning.datePaceWeek'),
    )
  }
  const weeks = daysBetween(from, goal.date) / DAYS - (peakWeek ? 1 : 0)
  if (weeks <= 0) {
    const accepted = say('planning.dayAfter', {
      from: dayValue(addDays(from, peakWeek ? DAYS : 0), true),
    })
    throw inputError('date', 'impossible', say('planning.dayGoal'), goal.date, accepted)
  }
  const moving = movingWeeks(weeks, breaks && checkedBreaks(breaks))
  return { unit: 'kg', value: differenceKg / moving }
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
      words: say('planning.foodGoesUpNeedOver'),
    },
  ]
}

/** A phase from one day to another; none where no day lies between. */
function phase(kind: PhaseKind, from: IsoDate, to: IsoDate, words: Message): Phase[] {
  const days = daysBetween(from, to)
  return days > 0 ? [{ kind, from, to, weeks: days / DAYS, words }] : []
}

/** Stretches of change with the breaks between them. */
function changeAndBreaks(
  direction: Timeline['direction'],
  from: IsoDate,
  moving: number,
  breaks: Breaks | undefined,
): Phase[] {
  if (direction === 'hold') return []
  const [kind, words] =
    direction === 'loss'
      ? (['cut', say('planning.deficitProteinHigh')] as const)
      : (['gain', say('planning.smallSurplus')] as const)
  const phases: Phase[] = []
  const dayOf = (weeks: number) => dayAfterWeeks(from, weeks)
  let done = 0
  for (let left = moving; left > HAIR;) {
    const stretch = Math.min(left, breaks?.every ?? left)
    phases.push(...phase(kind, dayOf(done), dayOf(done + stretch), words))
    done += stretch
    left -= stretch
    if (!breaks || left <= HAIR) continue
    const name = breaks.weeks > LONGEST_BREAK_WEEKS ? 'maintenance' : 'break'
    const rest = say('planning.foodMaintenanceTrainingEverBody')
    phases.push(...phase(name, dayOf(done), dayOf(done + breaks.weeks), rest))
    done += breaks.weeks
  }
  return phases
}

/** From the end of the change to the day that was named: held, and the last week kept free where it is wanted. */
function untilTheDay(end: IsoDate, { date, occasion }: Goal, peak: boolean): Phase[] {
  if (!date) return []
  const before = peak ? addDays(date, -DAYS) : date
  const peakFrom = before > end ? before : end
  return [
    ...phase('hold', end, before, say('planning.foodMaintenanceHoldsWhatWas')),
    ...(peak
      ? phase(
          'peak week',
          peakFrom,
          addDays(peakFrom, DAYS),
          sentences(
            occasion ? say('planning.leftAthlete') : undefined,
            say('planning.restSleepFoodUsualWater'),
          ),
        )
      : []),
  ]
}

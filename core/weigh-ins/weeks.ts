import { mean } from 'simple-statistics'
import { type IsoDate, addDays, daysFrom, weekdayOf } from '../units/dates'
import type { WeighIn } from './parse'

const WEEK = 7

/** The average of seven days, and the days that it stands on. */
export interface WeekMass {
  from: IsoDate
  to: IsoDate
  kg: number
  days: number
  missing: IsoDate[]
}

function averageOf(weighIns: readonly WeighIn[], from: IsoDate): WeekMass | undefined {
  const days = daysFrom(from, WEEK)
  const by = new Map(weighIns.map(({ date, kg }) => [date, kg]))
  const taken = days.flatMap((day) => by.get(day) ?? [])
  if (taken.length === 0) return undefined
  return {
    from,
    to: days.at(-1)!,
    kg: mean(taken),
    days: taken.length,
    missing: days.filter((day) => !by.has(day)),
  }
}

/** The weekday that weeks end on: the one chosen, or that of the last day weighed. 0 is Monday. */
export function weekEndOf(weighIns: readonly WeighIn[], chosen?: number | null): number {
  const last = weighIns.reduce<IsoDate>((latest, { date }) => (date > latest ? date : latest), '')
  return chosen ?? (last === '' ? WEEK - 1 : weekdayOf(last))
}

/** The last day of the week that a day is in. */
export const lastOfWeek = (date: IsoDate, endsOn: number): IsoDate =>
  addDays(date, (endsOn - weekdayOf(date) + WEEK) % WEEK)

/**
 * The average of each week that has a weigh-in, oldest first.
 *
 * @param endsOn the client's own last day of a week, 0 for Monday; where none is chosen, the last day weighed ends them,
 *   so that the seven days up to it are one week
 */
export function weeklyAverages(weighIns: readonly WeighIn[], endsOn?: number | null): WeekMass[] {
  const end = weekEndOf(weighIns, endsOn)
  const ends = new Set(weighIns.map(({ date }) => lastOfWeek(date, end)))
  return [...ends].sort().flatMap((last) => averageOf(weighIns, addDays(last, 1 - WEEK)) ?? [])
}

/**
 * The mass of the seven days that end on a day.
 *
 * @param own a mass of that day itself that is not among the weigh-ins, kg
 * @returns undefined where there is none
 */
export function massOfWeek(
  weighIns: readonly WeighIn[],
  on: IsoDate,
  own?: number,
): WeekMass | undefined {
  const there = weighIns.some(({ date }) => date === on)
  const all = own !== undefined && !there ? [...weighIns, { date: on, kg: own }] : weighIns
  return averageOf(all, addDays(on, 1 - WEEK))
}

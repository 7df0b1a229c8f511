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

/** The average of each week from Monday to Sunday that has a weigh-in, oldest first. */
export function weeklyAverages(weighIns: readonly WeighIn[]): WeekMass[] {
  const mondays = new Set(weighIns.map(({ date }) => addDays(date, -weekdayOf(date))))
  return [...mondays].sort().flatMap((monday) => averageOf(weighIns, monday) ?? [])
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

import type { MassBefore } from './finding'
import { type IsoDate, daysBetween } from '../units/dates'

/** A body mass on record with its day. */
export interface DatedMass {
  date: IsoDate
  kg: number
}

const DAYS_A_WEEK = 7

/** Masses as they are seen from a day, which may lie among them. */
export const massesFrom = (on: IsoDate, masses: readonly DatedMass[]): MassBefore[] =>
  masses.map(({ date, kg }) => ({ kg, weeksAgo: Math.abs(daysBetween(date, on)) / DAYS_A_WEEK }))

/** One weighing about the usual mass of those days, kg; as core/change/model/figures.ts has it. */
const WEIGHING_KG = 0.63
/** By how much a body mass wanders and moves one way, as shares of it: per root of a week, and per week. Judgement. */
const WANDER = 0.0065
const PACE = 0.0085
/** Further back than this nothing more is lost: people come back much as they went. */
const LONGEST_WEEKS = 12

const variancePer = (weeks: number, kg: number) => {
  const time = Math.min(LONGEST_WEEKS, Math.max(0, weeks))
  return kg ** 2 * (WANDER ** 2 * time + (PACE * time) ** 2)
}

/**
 * What a person should weigh now by the masses on record: a level that wanders, weighed with error.
 *
 * @param masses in any order
 * @returns kg, with the standard deviation of a weighing about it; undefined where nothing is on record
 */
export function massByRecord(
  masses: readonly MassBefore[],
): { kg: number; sd: number } | undefined {
  const [first, ...later] = [...masses].sort((a, b) => b.weeksAgo - a.weeksAgo)
  if (!first) return undefined
  let { kg, weeksAgo: at } = first
  let variance = WEIGHING_KG ** 2
  for (const mass of later) {
    variance += variancePer(at - mass.weeksAgo, kg)
    const gain = variance / (variance + WEIGHING_KG ** 2)
    kg += gain * (mass.kg - kg)
    variance *= 1 - gain
    at = mass.weeksAgo
  }
  return { kg, sd: Math.sqrt(variance + variancePer(at, kg) + WEIGHING_KG ** 2) }
}

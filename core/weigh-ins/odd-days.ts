import { median } from 'simple-statistics'
import { type IsoDate, daysBetween } from '../units/dates'
import { MASS_SWING_KG } from '../measurement-error/site-error'
import type { WeighIn } from './parse'
import { lastOfWeek, weekEndOf } from './weeks'
import { type Trend, theilSen } from './trend'

const WEEK = 7

/** A day that stands out, with how far it is from the trend. */
export interface OddDay extends WeighIn {
  /** Mass less the trend of that day, kg. */
  off: number
}

/** Median absolute deviations from the trend beyond which a day is pointed out. */
const ODD_BEYOND = 3.5
/** Days on either side that a day's own trend is drawn through. */
const TREND_DAYS = 21
/** Days of a week from which it has a scatter of its own; with fewer, the days around count. */
const OWN_SCATTER_DAYS = 4
/** Median absolute deviation of the usual swing from day to day, kg: nobody is odd by a swing that everybody has. */
const USUAL_DEVIATION = 0.6745 * MASS_SWING_KG

const pointsOf = (weighIns: readonly WeighIn[], from: IsoDate) =>
  weighIns.map(({ date, kg }) => ({ x: daysBetween(from, date), y: kg }))

/**
 * Days that are further from the trend of the three weeks on either side than 3.5 median absolute deviations: those of
 * the day's own week, or of the usual swing from day to day where that is more. They are pointed out and never dropped.
 *
 * @param endsOn the client's own last day of a week; see `weeklyAverages`
 */
export function oddDays(weighIns: readonly WeighIn[], endsOn?: number | null): OddDay[] {
  const end = weekEndOf(weighIns, endsOn)
  const [first] = weighIns
  if (!first) return []
  const points = pointsOf(weighIns, first.date)
  const weeks = weighIns.map(({ date }) => lastOfWeek(date, end))
  return weighIns.flatMap((weighIn, i): OddDay[] => {
    const { x, y } = points[i]!
    const near = points.filter((p) => Math.abs(p.x - x) <= TREND_DAYS)
    const trend = near.length >= 5 ? theilSen(near) : undefined
    if (!trend) return []
    const residual = (p: { x: number; y: number }) => p.y - trend.intercept - trend.slope * p.x
    const same = points.filter((_, j) => weeks[j] === weeks[i])
    const scatter = same.length >= OWN_SCATTER_DAYS ? same : near
    const deviation = median(scatter.map((p) => Math.abs(residual(p))))
    const off = residual({ x, y })
    const odd = Math.abs(off) > ODD_BEYOND * Math.max(deviation, USUAL_DEVIATION)
    return odd ? [{ ...weighIn, off }] : []
  })
}

/** The trend of body mass in kg a week, by Theil and Sen. */
export function massTrend(weighIns: readonly WeighIn[]): Trend | undefined {
  const [first] = weighIns
  if (!first) return undefined
  return theilSen(pointsOf(weighIns, first.date).map(({ x, y }) => ({ x: x / WEEK, y })))
}

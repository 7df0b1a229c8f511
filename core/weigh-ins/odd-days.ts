import { median } from 'simple-statistics'
import { type IsoDate, daysBetween } from '../units/dates'
import type { WeighIn } from './parse'
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
/** Of a scale that shows tenths, kg: nobody is odd by less. */
const LEAST_DEVIATION = 0.1

const pointsOf = (weighIns: readonly WeighIn[], from: IsoDate) =>
  weighIns.map(({ date, kg }) => ({ x: daysBetween(from, date), y: kg }))

/**
 * Days that are more than 3.5 median absolute deviations from the trend of the three weeks on either side. They are
 * pointed out and never dropped.
 */
export function oddDays(weighIns: readonly WeighIn[]): OddDay[] {
  const [first] = weighIns
  if (!first) return []
  const points = pointsOf(weighIns, first.date)
  return weighIns.flatMap((weighIn, i): OddDay[] => {
    const { x, y } = points[i]!
    const near = points.filter((p) => Math.abs(p.x - x) <= TREND_DAYS)
    const trend = near.length >= 5 ? theilSen(near) : undefined
    if (!trend) return []
    const residual = (p: { x: number; y: number }) => p.y - trend.intercept - trend.slope * p.x
    const deviation = median(near.map((p) => Math.abs(residual(p))))
    const off = y - trend.intercept - trend.slope * x
    const odd = Math.abs(off) > ODD_BEYOND * Math.max(deviation, LEAST_DEVIATION)
    return odd ? [{ ...weighIn, off }] : []
  })
}

/** The trend of body mass in kg a week, by Theil and Sen. */
export function massTrend(weighIns: readonly WeighIn[]): Trend | undefined {
  const [first] = weighIns
  if (!first) return undefined
  return theilSen(pointsOf(weighIns, first.date).map(({ x, y }) => ({ x: x / WEEK, y })))
}

import {
  daysBetween,
  type CoursePoint,
  type RecordQuantity,
  quantityIn,
  type ShownUnits,
} from '#core'
import { bandText, cornersText, gridOf, gridStep, type GridLine } from '../../ui/charts/panels'

/** A point of a panel in percent of its box, from the left and from the top. */
export interface PanelPoint {
  x: number
  y: number
  date: string
  /** The reading, as a change in the unit of the panel. */
  read: number
  /** The line there and the 95% range about it, in the same unit. */
  value: number
  low: number
  high: number
}

/** One quantity over time as a change, drawn to the same scale as the other panels. */
export interface CoursePanel {
  quantity: RecordQuantity
  /** px. */
  height: number
  /** Lines across, in percent from the top. */
  grid: GridLine[]
  points: PanelPoint[]
  /** Corners of the line and of the band, for an SVG of 100 by 100. */
  line: string
  band: string
  /** Where the line ends, in percent from the top. */
  end: number
}

const LARGEST_PX = 260
const LEAST_SPAN = 2

/** Lines of the grid at most, in all panels together. */
const LINES = 9

/** Panels of the quantities, each as high as what it spans, so that a kilogram is as high in all of them. */
export function coursePanels(
  course: readonly CoursePoint[],
  quantities: readonly RecordQuantity[],
  units: ShownUnits,
): CoursePanel[] {
  const [first, last] = [course[0], course.at(-1)]
  if (!first || !last || first === last) return []
  const whole = daysBetween(first.date, last.date)
  const parts = quantities.flatMap((quantity) => {
    const days = course.flatMap(({ date, line }) => {
      const at = line[quantity]
      if (!at) return []
      const [low, high] = at.interval.map((edge) => quantityIn(quantity, edge, units))
      return [
        {
          ...{ date, low: low!, high: high!, x: (100 * daysBetween(first.date, date)) / whole },
          ...{
            read: quantityIn(quantity, at.read, units),
            value: quantityIn(quantity, at.change, units),
          },
        },
      ]
    })
    return days.length > 1 ? [{ quantity, days }] : []
  })
  const edges = parts.map(({ days }) => {
    const all = days.flatMap(({ low, high, read }) => [low, high, read, 0])
    return { low: Math.min(...all), high: Math.max(...all) }
  })
  const step = gridStep(
    edges.reduce((sum, { low, high }) => sum + high - low, 0),
    LINES,
  )
  const bounds = edges.map(({ low, high }) => {
    const [from, to] = [Math.floor(low / step) * step, Math.ceil(high / step) * step]
    const lacking = LEAST_SPAN * step - (to - from)
    return lacking > 0 ? { from: from - lacking / 2, to: to + lacking / 2 } : { from, to }
  })
  const span = bounds.reduce((sum, { from, to }) => sum + to - from, 0)
  return parts.map(({ quantity, days }, i) => {
    const { from, to } = bounds[i]!
    const { yOf, grid } = gridOf(from, to, step)
    return {
      quantity,
      height: Math.round((LARGEST_PX * (to - from)) / span),
      grid,
      points: days.map((day) => ({ ...day, y: yOf(day.read) })),
      line: cornersText(days.map(({ x, value }) => ({ x, y: yOf(value) }))),
      band: bandText(days, yOf),
      end: yOf(days.at(-1)!.value),
    }
  })
}

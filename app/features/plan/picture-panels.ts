import {
  daysBetween,
  massIn,
  plannedWay,
  simulate,
  targetsOf,
  weeksAhead,
  type BandOfWeek,
  type Breaks,
  type Goal,
  type IsoDate,
  type MassUnit,
  type Regime,
  type StartingPoint,
  addDays,
} from '#core'
import { bandText, cornersText, gridOf, gridStep, type GridLine } from '../../ui/charts/panels'

/** What a picture of a plan is drawn from. */
export interface PlanDrawn {
  start: StartingPoint
  goal: Goal
  startedOn: IsoDate
  /** Of the plan, breaks among them. */
  weeks: number
  breaks: Breaks | undefined
  regime: Regime
}

export type PictureQuantity = 'mass' | 'fat' | 'lean'

/** A check-in as it read, kg. */
export interface PicturePoint {
  date: IsoDate
  mass: number
  fat?: number
  lean?: number
}

export interface PicturePanel {
  quantity: PictureQuantity
  /** px. */
  height: number
  grid: GridLine[]
  /** The planned way by week, and the band of 9 in 10 outcomes about it where it is known, in the unit. */
  byWeek: { week: number; x: number; value: number; low?: number; high?: number }[]
  /** Corners for an SVG of 100 by 100. */
  way: string
  held: string
  forbes: string
  band: string
  /** Goal, in percent from the top, and in the unit; none where nothing is asked of it. */
  goal: { y: number; value: number } | undefined
  points: { x: number; y: number; date: IsoDate; value: number }[]
}

export interface PlanPictureDrawn {
  panels: PicturePanel[]
  /** Days along the bottom: percent from the left, in words. */
  days: { x: number; words: string }[]
  weeks: number
}

/* Heights that do not hang on what is drawn, so that nothing moves when the band comes. */
const HEIGHTS: Record<PictureQuantity, number> = { mass: 200, fat: 170, lean: 130 }
/** Less is not spanned, in the unit on the screen. */
const LEAST_SPAN = 2
const LINES = 4
const WEEK = 7
const DAY_MARKS = 3

/** What a plan draws by itself, whatever is known since: its way, and the two ends of what the same food may do. */
export interface PlanPaths {
  weeks: number
  way: Body[]
  held: Body[]
  forbes: Body[]
  aim: Body
}
type Body = Pick<StartingPoint, 'fatKg' | 'leanKg'>

/** The paths of a plan, as far as it and the check-ins since go. */
export function pathsOf(plan: PlanDrawn, points: readonly PicturePoint[]): PlanPaths {
  const { start, startedOn, regime } = plan
  const last = points.reduce((late, { date }) => (date > late ? date : late), startedOn)
  const gone = daysBetween(startedOn, last) / WEEK
  const weeks = weeksAhead(Math.max(plan.weeks, gone))
  return {
    weeks,
    way: plannedWay(plan, start).filter((_, week) => week <= weeks),
    held: simulate(start, regime, weeks, 0),
    forbes: simulate(start, regime, weeks, 1),
    aim: targetsOf(plan.goal, start).aim,
  }
}

/**
 * The picture of a plan: its way with what is asked for held, the two ends of what the same food may do (lean held, and
 * the Forbes relation), the band between, and the check-ins since its start.
 *
 * @param quantities of which a panel is drawn each
 */
export function drawPlan(
  startedOn: IsoDate,
  { weeks, aim, ...paths }: PlanPaths,
  bands: readonly BandOfWeek[] | undefined,
  points: readonly PicturePoint[],
  quantities: readonly PictureQuantity[],
  unit: MassUnit,
): PlanPictureDrawn {
  const show = (kg: number) => massIn(kg, unit)
  const xOf = (week: number) => (100 * week) / weeks
  const partOf = (body: Body, of: PictureQuantity) =>
    show(of === 'mass' ? body.fatKg + body.leanKg : body[`${of}Kg`])
  const panels = quantities.map((quantity): PicturePanel => {
    const seen = points.flatMap((point) => {
      const kg = point[quantity]
      // The body that it starts from stands at its start.
      const week = Math.max(0, daysBetween(startedOn, point.date) / WEEK)
      return kg === undefined ? [] : [{ week, date: point.date, value: show(kg) }]
    })
    const ofBand = (bands ?? []).map((band) => {
      const [low, , , , high] = band[quantity].map(show)
      return { week: band.week, x: xOf(band.week), low: low!, high: high! }
    })
    const bandIn = new Map(ofBand.map((band) => [band.week, band]))
    const byWeek = (bodies: readonly Body[]) => bodies.map((body) => partOf(body, quantity))
    const lines = {
      way: byWeek(paths.way),
      held: byWeek(paths.held),
      forbes: byWeek(paths.forbes),
    }
    const values = [
      ...Object.values(lines).flat(),
      ...seen.map(({ value }) => value),
      ...ofBand.flatMap(({ low, high }) => [low, high]),
    ]
    const [least, most] = [Math.min(...values), Math.max(...values)]
    const span = Math.max(LEAST_SPAN, most - least)
    const step = gridStep(span, LINES)
    const from = Math.floor(least / step) * step
    const to = Math.max(from + LEAST_SPAN, Math.ceil(most / step) * step)
    const { yOf, grid } = gridOf(from, to, step)
    const line = (of: readonly number[]) =>
      cornersText(of.map((value, week) => ({ x: xOf(week), y: yOf(value) })))
    const wanted = partOf(aim, quantity)
    return {
      quantity,
      height: HEIGHTS[quantity],
      grid,
      ...{ way: line(lines.way), held: line(lines.held), forbes: line(lines.forbes) },
      band: bandText(ofBand, yOf),
      byWeek: lines.way.map((value, week) => {
        const { low, high } = bandIn.get(week) ?? {}
        return { week, x: xOf(week), value, low, high }
      }),
      goal:
        // What is only held is no goal to get to.
        wanted === lines.way[0] || wanted < from || wanted > to
          ? undefined
          : { y: yOf(wanted), value: wanted },
      points: seen.map(({ week, date, value }) => ({ x: xOf(week), y: yOf(value), date, value })),
    }
  })
  const between = Math.max(1, Math.ceil(weeks / DAY_MARKS))
  const days = Array.from({ length: Math.floor(weeks / between) + 1 }, (_, i) => i * between)
  return {
    ...{ panels, weeks },
    days: days.map((week) => ({
      x: xOf(week),
      words: formatDate(addDays(startedOn, week * WEEK)),
    })),
  }
}

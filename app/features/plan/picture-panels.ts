import {
  daysBetween,
  formatDate,
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
  grid: { value: number; y: number }[]
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
const STEPS = [0.5, 1, 2, 5, 10, 20, 50, 100, 200]
const WEEK = 7
const DAY_MARKS = 3

const corners = (of: readonly { x: number; y: number }[]) =>
  of.map(({ x, y }) => `${x.toFixed(2)},${y.toFixed(2)}`).join(' ')

/**
 * The picture of a plan: its way with what is asked for held, the two ends of what the same food may do (lean held, and
 * the Forbes relation), the band between, and the check-ins since its start.
 *
 * @param quantities of which a panel is drawn each
 */
export function drawPlan(
  plan: PlanDrawn,
  bands: readonly BandOfWeek[] | undefined,
  points: readonly PicturePoint[],
  quantities: readonly PictureQuantity[],
  unit: MassUnit,
): PlanPictureDrawn {
  const { start, startedOn, regime } = plan
  const last = points.reduce((late, { date }) => (date > late ? date : late), startedOn)
  const gone = daysBetween(startedOn, last) / WEEK
  const weeks = weeksAhead(Math.max(plan.weeks, gone))
  const way = plannedWay(plan, start).filter((_, week) => week <= weeks)
  const held = simulate(start, regime, weeks, 0)
  const forbes = simulate(start, regime, weeks, 1)
  const { aim } = targetsOf(plan.goal, start)
  const show = (kg: number) => massIn(kg, unit)
  const xOf = (week: number) => (100 * week) / weeks
  const partOf = (body: { fatKg: number; leanKg: number }, of: PictureQuantity) =>
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
      return { x: xOf(band.week), low: low!, high: high! }
    })
    const lines = {
      way: way.map((body, week) => ({ week, value: partOf(body, quantity) })),
      held: held.map((body) => ({ week: body.week, value: partOf(body, quantity) })),
      forbes: forbes.map((body) => ({ week: body.week, value: partOf(body, quantity) })),
    }
    const values = [
      ...Object.values(lines).flatMap((line) => line.map(({ value }) => value)),
      ...seen.map(({ value }) => value),
      ...ofBand.flatMap(({ low, high }) => [low, high]),
    ]
    const [least, most] = [Math.min(...values), Math.max(...values)]
    const span = Math.max(LEAST_SPAN, most - least)
    const step = STEPS.find((s) => span / s <= LINES) ?? STEPS.at(-1)!
    const from = Math.floor(least / step) * step
    const to = Math.max(from + LEAST_SPAN, Math.ceil(most / step) * step)
    const yOf = (value: number) => (100 * (to - value)) / (to - from)
    const line = (of: readonly { week: number; value: number }[]) =>
      corners(of.map(({ week, value }) => ({ x: xOf(week), y: yOf(value) })))
    const wanted = partOf(aim, quantity)
    return {
      quantity,
      height: HEIGHTS[quantity],
      grid: Array.from({ length: Math.round((to - from) / step) + 1 }, (_, i) => ({
        value: from + i * step,
        y: yOf(from + i * step),
      })),
      ...{ way: line(lines.way), held: line(lines.held), forbes: line(lines.forbes) },
      band: corners([
        ...ofBand.map(({ x, high }) => ({ x, y: yOf(high) })),
        ...[...ofBand].reverse().map(({ x, low }) => ({ x, y: yOf(low) })),
      ]),
      goal:
        // What is only held is no goal to get to.
        wanted === lines.way[0]?.value || wanted < from || wanted > to
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

<script setup lang="ts">
import type { EChartsCoreOption } from 'echarts/core'
import {
  daysBetween,
  fixed,
  formatDate,
  massIn,
  type TechnicalErrorBand,
  type MassUnit,
} from '#core'
import type { ClientNote } from '#shared/contract/notes'

export interface LedgerPoint {
  /** Middle of its column in the sheet below, px. */
  x: number
  date: string
  fat: TechnicalErrorBand | null
  lean: TechnicalErrorBand | null
  otherSetup: boolean
}

const props = defineProps<{
  points: LedgerPoint[]
  events: ClientNote[]
  unit: MassUnit
  bounds: AxisBounds | undefined
  /** What of the sheet is drawn, px from its first column. */
  from: number
  to: number
  thenIndex: number
  nowIndex: number
}>()

type Part = 'fat' | 'lean'

/** Beyond the edges of what is drawn, px: the line goes on to the next point. */
const MARGIN = 200
const drawn = computed(() =>
  props.points.filter(({ x }) => x > props.from - MARGIN && x < props.to + MARGIN),
)
const taken = (part: Part) =>
  drawn.value.flatMap(({ x, date, otherSetup, [part]: band }) =>
    band
      ? [
          {
            ...{ x, date, otherSetup },
            value: massIn(band.value, props.unit),
            low: massIn(band.value - band.halfWidth, props.unit),
            high: massIn(band.value + band.halfWidth, props.unit),
          },
        ]
      : [],
  )

/** Where a day is between the columns of the check-ins around it. */
function placeOf(date: string): number | undefined {
  const { points } = props
  const next = points.findIndex((p) => p.date >= date)
  if (next === -1) return undefined
  const [a, b] = [points[next - 1], points[next]!]
  if (!a) return date === b.date ? b.x : undefined
  return a.x + ((b.x - a.x) * daysBetween(a.date, date)) / daysBetween(a.date, b.date)
}

function line(name: Part, color: string, extra: { symbol: string; type?: 'dashed'; size: number }) {
  const data = taken(name)
  const last = props.points.findLast((p) => p[name])
  const lastLabel = {
    show: true,
    position: 'top',
    align: 'right',
    offset: [-6, 0],
    formatter: last && `${name} ${fixed(massIn(last[name]!.value, props.unit), 1)}`,
    color,
    fontFamily: FIGURES,
    fontWeight: 600,
    fontSize: 18,
  }
  return [
    ...bandSeries(name, color, data),
    {
      name,
      type: 'line',
      // Few points say more than where they are: a model of its own for every one would cost most of the drawing.
      data: drawn.value.map(({ x, otherSetup, [name]: band }) => {
        const value = [x, band ? massIn(band.value, props.unit) : null]
        const own = otherSetup ? { symbol: 'emptyCircle' } : {}
        if (x === last?.x) return { value, ...own, label: lastLabel }
        return otherSetup ? { value, ...own } : value
      }),
      symbol: extra.symbol,
      symbolSize: extra.size,
      itemStyle: { color },
      lineStyle: { color, width: 3, type: extra.type ?? 'solid' },
      connectNulls: false,
    },
  ]
}

const markLines = computed(() => [
  ...props.events.flatMap(({ date, words }) => {
    const x = placeOf(date)
    return x === undefined
      ? []
      : [
          {
            xAxis: x,
            lineStyle: { color: FADED, type: 'dotted' as const },
            label: { ...MARK_LABEL, formatter: words, position: 'insideEndTop' as const },
          },
        ]
  }),
  ...[props.thenIndex, props.nowIndex].flatMap((index, i) => {
    const point = props.points[index]
    const name = i === 0 ? 'then' : 'now'
    return point
      ? [
          {
            xAxis: point.x,
            lineStyle: { color: OAK, type: 'solid' as const, width: 2 },
            label: { show: false, formatter: name },
          },
        ]
      : []
  }),
])

const option = computed<EChartsCoreOption>(() => {
  const { from, to } = props
  return {
    animation: false,
    // No bounds of its own: the points stand on the columns of the sheet below.
    grid: { left: 0, right: 0, ...LEDGER_GRID, outerBoundsMode: 'none' },
    tooltip: {
      confine: true,
      trigger: 'item',
      textStyle: { color: INK, fontFamily: 'inherit' },
      formatter: ({ seriesName, value }: { seriesName: string; value: [number, number] }) => {
        const point = props.points.find(({ x }) => x === value[0])
        const band = point?.[seriesName as Part]
        if (!point || !band) return ''
        const width = fixed(massIn(band.halfWidth, props.unit), 1)
        const setup = point.otherSetup ? ', another tester or caliper' : ''
        return `${formatDate(point.date, true)}: ${seriesName} ${fixed(value[1], 1)} ${props.unit}, ± ${width} by the hand${setup}`
      },
    },
    xAxis: {
      type: 'value',
      min: from,
      max: to,
      axisLabel: { show: false },
      axisTick: { show: false },
      axisLine: { show: false },
      splitLine: { show: false },
    },
    yAxis: {
      type: 'value',
      ...props.bounds,
      // Its figures stand beside the scrolling.
      axisLabel: { show: false },
      axisTick: { show: false },
      axisLine: { show: false },
      splitLine: { lineStyle: { color: LINE } },
    },
    series: [
      ...line('lean', LEAF, { symbol: 'circle', size: 9 }),
      ...line('fat', AMBER, { symbol: 'triangle', size: 11, type: 'dashed' }),
      {
        type: 'line',
        data: [],
        markLine: { symbol: 'none', silent: true, data: markLines.value },
      },
    ],
  }
})

const label = computed(() => {
  const done = props.points.filter((p) => p.fat && p.lean)
  const [first, last] = [done[0], done.at(-1)]
  if (!first || !last) return 'No fat and lean mass to show yet.'
  const show = (band: TechnicalErrorBand) =>
    `${fixed(massIn(band.value, props.unit), 1)} ${props.unit}`
  return `Fat and lean mass over ${done.length} check-ins. Fat from ${show(first.fat!)} to ${show(last.fat!)}, lean from ${show(first.lean!)} to ${show(last.lean!)}.`
})
</script>

<template>
  <ChartFrame :option :label :at="from" />
</template>

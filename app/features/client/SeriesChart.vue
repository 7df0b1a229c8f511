<script setup lang="ts">
import type { EChartsCoreOption } from 'echarts/core'
import type { IsoDate } from '#core'
import type { ClientNote } from '#shared/contract/notes'

export interface CurvePoint {
  date: IsoDate
  value: number | null
  low?: number
  high?: number
  /** Another tester or caliper than the newest. */
  otherSetup?: boolean
}
export interface Curve {
  name: string
  color: string
  symbol: string
  dash?: 'dashed' | 'dotted'
  /** Points without a line between them. */
  loose?: boolean
  points: CurvePoint[]
}

const props = defineProps<{
  curves: Curve[]
  unit: string
  digits: number
  events: Pick<ClientNote, 'date' | 'words'>[]
  goal?: { name: string; value: number }
  label: string
  brushing?: boolean
}>()
const emit = defineEmits<{ brush: [from: IsoDate, to: IsoDate]; live: [] }>()

const DAY_MS = 86_400_000
const time = (date: IsoDate) => Date.parse(`${date}T00:00:00Z`)
const dateAt = (ms: number) => new Date(Math.round(ms / DAY_MS) * DAY_MS).toISOString().slice(0, 10)

function seriesOf({ name, color, symbol, dash, loose, points }: Curve) {
  const banded = points.flatMap(({ date, low, high }) =>
    low === undefined || high === undefined ? [] : [{ x: time(date), low, high }],
  )
  return [
    ...(banded.length ? bandSeries(name, color, banded) : []),
    {
      name,
      type: 'line',
      data: points.map(({ date, value, otherSetup }) => ({
        value: [time(date), value],
        symbol: otherSetup ? 'emptyCircle' : symbol,
      })),
      symbolSize: loose ? 6 : 9,
      showAllSymbol: true,
      itemStyle: { color },
      lineStyle: loose ? { opacity: 0 } : { color, width: 3, type: dash ?? 'solid' },
      connectNulls: false,
      endLabel: {
        show: !loose,
        formatter: name,
        color,
        fontFamily: FIGURES,
        fontWeight: 600,
        fontSize: 17,
      },
    },
  ]
}

const columns = computed(() => props.curves.map(({ name }) => `${name}, ${props.unit}`))
/** What every curve is at, on each day that one of them has. */
const rows = computed(() => {
  const days = [...new Set(props.curves.flatMap(({ points }) => points.map((p) => p.date)))].sort()
  return days.map((date) => ({
    ...{ date, head: formatDate(date, true) },
    cells: props.curves.map(({ points }) => {
      const { value = null, low, high } = points.find((point) => point.date === date) ?? {}
      if (value === null) return undefined
      return rangeText({ value, low, high }, (of) => fixed(of, props.digits))
    }),
  }))
})
/** What is said where the chart is pointed at, a line a curve; as text, since a name is what somebody typed. */
function wordsOn(date: IsoDate): HTMLElement {
  const box = document.createElement('div')
  const { head, cells } = rows.value.find((row) => row.date === date) ?? { head: '', cells: [] }
  cells.forEach((cell, i) => {
    if (cell === undefined) return
    const line = document.createElement('div')
    line.textContent = `${head}: ${props.curves[i]!.name} ${cell} ${props.unit}`
    box.append(line)
  })
  return box
}

/** Notes on the time axis, and the goal across it. */
const markLines = computed(() => [
  ...props.events.map(({ date, words }) => ({
    xAxis: time(date),
    lineStyle: { color: FADED, type: 'dotted' as const },
    label: { ...MARK_LABEL, formatter: words, position: 'insideEndTop' as const },
  })),
  ...(props.goal
    ? [
        {
          yAxis: props.goal.value,
          lineStyle: { color: OAK, type: 'dashed' as const, width: 2 },
          label: {
            ...MARK_LABEL,
            formatter: props.goal.name,
            color: OAK,
            position: 'insideStartTop' as const,
          },
        },
      ]
    : []),
])

const option = computed<EChartsCoreOption>(() => ({
  animation: false,
  grid: { left: 52, right: 96, top: 30, bottom: 64 },
  tooltip: {
    // The nearest day, wherever the pointer or finger is: nobody has to hit a point.
    trigger: 'axis',
    triggerOn: 'mousemove|click',
    confine: true,
    axisPointer: { type: 'line', snap: true, lineStyle: { color: INK } },
    textStyle: { color: INK, fontFamily: 'inherit' },
    formatter: (all: { value: [number, number | null] }[]) => {
      const ms = all[0]?.value[0]
      return ms === undefined ? '' : wordsOn(dateAt(ms))
    },
  },
  xAxis: {
    type: 'time',
    axisLabel: { ...AXIS_LABEL, hideOverlap: true },
    axisLine: { lineStyle: { color: FADED } },
  },
  yAxis: {
    type: 'value',
    name: props.unit,
    nameTextStyle: { color: FADED },
    axisLabel: AXIS_LABEL,
    splitLine: { lineStyle: { color: LINE } },
    // From the data and not from zero; a goal out of sight is no goal.
    ...(edges.value.length
      ? roundBounds(
          edges.value.reduce((a, b) => Math.min(a, b)),
          edges.value.reduce((a, b) => Math.max(a, b)),
        )
      : {}),
  },
  dataZoom: [SLIDER],
  brush: {
    xAxisIndex: 0,
    toolbox: [],
    brushStyle: { color: 'rgba(44, 99, 73, 0.12)', borderColor: LEAF },
  },
  series: [
    ...props.curves.flatMap(seriesOf),
    { type: 'line', data: [], markLine: { symbol: 'none', silent: true, data: markLines.value } },
  ],
}))
/** Everything that has to be in sight. */
const edges = computed(() => [
  ...props.curves.flatMap(({ points }) =>
    points.flatMap(({ value, low, high }) =>
      [value, low, high].filter((v): v is number => typeof v === 'number'),
    ),
  ),
  ...(props.goal ? [props.goal.value] : []),
])
</script>

<template>
  <ChartWalk :label :columns :rows own-words>
    <div class="h-[380px]">
      <ChartFrame
        :option
        :label
        :brushing
        @live="emit('live')"
        @brush="(from, to) => emit('brush', dateAt(from), dateAt(to))"
      />
    </div>
  </ChartWalk>
</template>

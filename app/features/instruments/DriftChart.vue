<script setup lang="ts">
import type { EChartsCoreOption } from 'echarts/core'
import { driftOf, INSTRUMENT_UNITS } from '#core'
import type { Instrument } from '#shared/contract/equipment'

/** How far off an instrument was at every width that it was checked at, from check to check. */
const { instrument } = defineProps<{ instrument: Instrument }>()
const unit = computed(() => INSTRUMENT_UNITS[instrument.kind])
const lines = computed(() => driftOf(instrument.checks))
/** Oldest first; a width that was left out of one has nothing there. */
const checks = computed(() => [...instrument.checks].reverse())
const offOn = (points: (typeof lines.value)[number]['points'], day: string) =>
  points.find(({ on }) => on === day)?.off
const label = computed(() => t('equipment.driftLabel', { name: instrument.name, unit: unit.value }))
const time = (date: string) => Date.parse(`${date}T00:00:00Z`)
const COLORS = [INK, OAK, LEAF, AMBER, FADED]
const SYMBOLS = ['circle', 'rect', 'triangle', 'diamond', 'emptyCircle']
const DASHES = ['solid', 'dashed', 'dotted']
const most = computed(() =>
  Math.max(1, ...lines.value.flatMap(({ points }) => points.map(({ off }) => Math.abs(off)))),
)
const plainNumberText = (value: number) => fixed(value, Number.isInteger(value) ? 0 : 1)
const name = (known: number) => `${plainNumberText(known)} ${unit.value}`
/** Lines that end at one height share a name there. */
function endOf(known: number): string {
  const at = (of: (typeof lines.value)[number]) => of.points.at(-1)!.off.toFixed(2)
  const mine = at(lines.value.find((line) => line.known === known)!)
  const same = lines.value.filter((line) => at(line) === mine).map((line) => line.known)
  if (same[0] !== known) return ''
  return `${same.map(plainNumberText).join(', ')} ${unit.value}`
}
const option = computed<EChartsCoreOption>(() => ({
  animation: false,
  grid: { left: 48, right: 78, top: 14, bottom: 28 },
  xAxis: {
    type: 'time',
    axisLabel: { ...AXIS_LABEL, hideOverlap: true },
    axisLine: { onZero: false, lineStyle: { color: LINE } },
    ...{ axisTick: { show: false }, splitNumber: 4 },
  },
  yAxis: {
    ...{ type: 'value', min: -Math.ceil(most.value), max: Math.ceil(most.value), interval: 0.5 },
    axisLabel: AXIS_LABEL,
    splitLine: { lineStyle: { color: LINE } },
  },
  series: lines.value.map(({ known, points }, i) => ({
    ...{ name: name(known), type: 'line', symbol: SYMBOLS[i % 5], symbolSize: 8 },
    data: checks.value.map(({ checkedOn }) => [time(checkedOn), offOn(points, checkedOn) ?? null]),
    connectNulls: true,
    itemStyle: { color: COLORS[i % 5] },
    lineStyle: { color: COLORS[i % 5], width: 2, type: DASHES[i % 3] },
    endLabel: {
      ...{ show: endOf(known) !== '', formatter: endOf(known), color: COLORS[i % 5] },
      ...{ fontFamily: FIGURES, fontWeight: 600, fontSize: 15 },
    },
  })),
}))
const columns = computed(() => lines.value.map(({ known }) => name(known)))
const rows = computed(() =>
  checks.value.map(({ checkedOn }) => ({
    head: formatDate(checkedOn, true),
    cells: lines.value.map(({ points }) => {
      const off = offOn(points, checkedOn)
      return off === undefined ? undefined : signed(off, 1)
    }),
  })),
)
</script>

<template>
  <SaidChart :option :label :columns :rows height="h-56" />
</template>

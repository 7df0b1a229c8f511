<script setup lang="ts">
import type { EChartsCoreOption } from 'echarts/core'
import { fixed, formatDate, massIn, type MassUnit } from '#core'

const props = defineProps<{
  points: { date: string; fatKg: number | null; leanKg: number | null }[]
  unit: MassUnit
  /** Width of the label column and of one date column of the sheet below, px. */
  labelWidth: number
  columnWidth: number
}>()

const INK = '#2A2118'
const FADED = '#66583F'
const LINE = '#DACFBA'
const LEAF = '#2C6349'
const AMBER = '#8A5A0F'

const option = computed<EChartsCoreOption>(() => {
  const convert = (kg: number | null) => (kg === null ? null : massIn(kg, props.unit))
  const lastIndex = props.points.length - 1
  const line = (name: string, color: string, data: (number | null)[], extra: object) => ({
    name,
    type: 'line',
    data: data.map((value, i) => ({
      value,
      label: {
        show: i === lastIndex && value !== null,
        position: 'top',
        formatter: () => `${name} ${fixed(value!, 1)}`,
        color,
        fontFamily: 'Barlow Condensed',
        fontWeight: 600,
        fontSize: 18,
      },
    })),
    symbolSize: 9,
    itemStyle: { color },
    connectNulls: false,
    ...extra,
  })
  return {
    animation: false,
    // No bounds of its own: the points stand on the columns of the sheet below.
    grid: { left: props.labelWidth, right: 0, top: 26, bottom: 6, outerBoundsMode: 'none' },
    tooltip: {
      trigger: 'axis',
      textStyle: { color: INK, fontFamily: 'inherit' },
      valueFormatter: (value: unknown) =>
        typeof value === 'number' ? `${fixed(value, 1)} ${props.unit}` : 'not computed',
    },
    xAxis: {
      type: 'category',
      data: props.points.map(({ date }) => formatDate(date)),
      axisLabel: { show: false },
      axisTick: { show: false },
      axisLine: { show: false },
    },
    yAxis: {
      type: 'value',
      scale: true,
      axisLabel: { color: FADED, fontFamily: 'Barlow Condensed', fontSize: 14 },
      name: props.unit,
      nameTextStyle: { color: FADED },
      splitLine: { lineStyle: { color: LINE } },
      splitNumber: 4,
    },
    series: [
      line(
        'lean',
        LEAF,
        props.points.map((p) => convert(p.leanKg)),
        {
          symbol: 'circle',
          lineStyle: { color: LEAF, width: 3 },
        },
      ),
      line(
        'fat',
        AMBER,
        props.points.map((p) => convert(p.fatKg)),
        {
          symbol: 'triangle',
          symbolSize: 11,
          lineStyle: { color: AMBER, width: 3, type: 'dashed' },
        },
      ),
    ],
  }
})

const label = computed(() => {
  const done = props.points.filter((p) => p.fatKg !== null && p.leanKg !== null)
  const [first, last] = [done[0], done.at(-1)]
  if (!first || !last) return 'No fat and lean mass to show yet.'
  const show = (kg: number) => `${fixed(massIn(kg, props.unit), 1)} ${props.unit}`
  return `Fat and lean mass over ${done.length} check-ins. Fat from ${show(first.fatKg!)} to ${show(last.fatKg!)}, lean from ${show(first.leanKg!)} to ${show(last.leanKg!)}.`
})
</script>

<template>
  <ChartFrame :option="option" :label="label" />
</template>

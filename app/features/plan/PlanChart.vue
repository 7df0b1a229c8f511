<script setup lang="ts">
import type { EChartsCoreOption } from 'echarts/core'
import { fixed, massIn, type BandOfWeek, type MassUnit } from '#core'

/** Body mass by the two-compartment simulation with its band, beside the static rule. */
const props = defineProps<{
  bands: BandOfWeek[]
  /** kg by week. */
  statically: number[]
  unit: MassUnit
  goalKg?: number
  label: string
}>()

const show = (kg: number) => massIn(kg, props.unit)
const option = computed<EChartsCoreOption>(() => {
  const { bands, statically, unit, goalKg } = props
  const band = (name: string, low: number, high: number) =>
    bandSeries(
      name,
      OAK,
      bands.map(({ week, mass }) => ({ x: week, low: show(mass[low]!), high: show(mass[high]!) })),
    )
  const edges = [
    ...bands.flatMap(({ mass }) => [show(mass[0]), show(mass[4])]),
    ...statically.map(show),
    ...(goalKg === undefined ? [] : [show(goalKg)]),
  ]
  const line = (name: string, data: [number, number][], style: object) => ({
    name,
    type: 'line',
    data,
    symbol: 'none',
    endLabel: {
      show: true,
      formatter: `${name} ${fixed(data.at(-1)?.[1] ?? 0, 1)}`,
      color: INK,
      fontFamily: FIGURES,
      fontWeight: 600,
      fontSize: 15,
    },
    ...style,
  })
  return {
    animation: false,
    grid: { left: 52, right: 130, top: 30, bottom: 40 },
    tooltip: { trigger: 'axis', valueFormatter: (v: unknown) => `${fixed(Number(v), 1)} ${unit}` },
    xAxis: {
      type: 'value',
      name: 'weeks',
      nameLocation: 'middle',
      nameGap: 26,
      nameTextStyle: { color: FADED },
      min: 0,
      max: bands.at(-1)?.week ?? 1,
      axisLabel: AXIS_LABEL,
      splitLine: { show: false },
    },
    yAxis: {
      type: 'value',
      name: unit,
      nameTextStyle: { color: FADED },
      axisLabel: AXIS_LABEL,
      splitLine: { lineStyle: { color: LINE } },
      ...(edges.length ? roundBounds(Math.min(...edges), Math.max(...edges)) : {}),
    },
    series: [
      ...band('wide', 0, 4),
      ...band('narrow', 1, 3),
      line(
        'two parts',
        bands.map(({ week, mass }) => [week, show(mass[2])]),
        { lineStyle: { color: OAK, width: 3 } },
      ),
      line(
        '3500 rule',
        statically.map((kg, week) => [week, show(kg)]),
        { lineStyle: { color: FADED, width: 2, type: 'dashed' } },
      ),
      ...(goalKg === undefined
        ? []
        : [
            {
              type: 'line',
              data: [],
              markLine: {
                symbol: 'none',
                silent: true,
                data: [
                  {
                    yAxis: show(goalKg),
                    lineStyle: { color: LEAF, type: 'dotted', width: 2 },
                    label: {
                      ...MARK_LABEL,
                      color: LEAF,
                      formatter: 'goal',
                      position: 'insideStartTop',
                    },
                  },
                ],
              },
            },
          ]),
    ],
  }
})
</script>

<template>
  <ChartFrame :option :label />
</template>

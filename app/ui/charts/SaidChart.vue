<script setup lang="ts">
import type { EChartsCoreOption } from 'echarts/core'
import type { ChartRow } from './ChartWalk.vue'

/** A chart of points that each are a row of its table: what a row says is said where the chart is pointed at, too. */
const { option, label, columns, rows, height } = defineProps<{
  option: EChartsCoreOption
  label: string
  columns: string[]
  /** In the order of the points of the first series. */
  rows: readonly ChartRow[]
  /** Of its box, as a class. */
  height: string
}>()

/** As text, since a name is what somebody typed. */
function wordsAt(index: number | undefined): HTMLElement | string {
  const row = index === undefined ? undefined : rows[index]
  if (!row) return ''
  const box = document.createElement('div')
  box.textContent = rowText(row, columns)
  return box
}
const withWords = computed<EChartsCoreOption>(() => ({
  ...option,
  tooltip: {
    // The nearest point, wherever the pointer or finger is: nobody has to hit it.
    ...{ trigger: 'axis', triggerOn: 'mousemove|click', confine: true },
    axisPointer: { type: 'line', snap: true, lineStyle: { color: INK } },
    textStyle: { color: INK, fontFamily: 'inherit' },
    formatter: (all: { dataIndex: number }[]) => wordsAt(all[0]?.dataIndex),
  },
}))
</script>

<template>
  <ChartWalk :label :columns :rows own-words>
    <div class="relative" :class="height"><ChartFrame :option="withWords" :label /></div>
  </ChartWalk>
</template>

<script setup lang="ts">
import type { EChartsCoreOption } from 'echarts/core'
import type { LearningStep } from '#core'

/** How steady a hand was from month to month, against a trained one. */
const { curve } = defineProps<{ curve: readonly LearningStep[] }>()
const label = t('study.learningLabel')
const most = computed(() => Math.max(1, ...curve.map(({ ratio }) => ratio)))
const option = computed<EChartsCoreOption>(() => ({
  animation: false,
  grid: { left: 44, right: 24, top: 16, bottom: 30 },
  xAxis: {
    type: 'category',
    data: curve.map(({ month }) => monthText(month)),
    axisLabel: AXIS_LABEL,
    axisLine: { lineStyle: { color: LINE } },
  },
  yAxis: {
    ...{ type: 'value', min: 0, max: Math.ceil(most.value * 2) / 2, interval: 0.5 },
    axisLabel: { ...AXIS_LABEL, formatter: '{value}×' },
    splitLine: { lineStyle: { color: LINE } },
  },
  series: [
    {
      type: 'line',
      data: curve.map(({ ratio }) => ratio),
      ...{ symbol: 'circle', symbolSize: 9, itemStyle: { color: LEAF } },
      lineStyle: { color: LEAF, width: 3 },
      markLine: {
        ...{ silent: true, symbol: 'none' },
        data: [
          {
            yAxis: 1,
            lineStyle: { color: OAK, type: 'dashed', width: 2 },
            label: {
              ...MARK_LABEL,
              formatter: t('study.trainedHand'),
              position: 'insideEndBottom',
            },
          },
        ],
      },
    },
  ],
}))
const columns = [t('study.ofTrained'), t('study.pairs')]
const rows = computed(() =>
  curve.map(({ month, ratio, pairs }) => ({
    head: monthText(month),
    cells: [`${fixed(ratio, 2)}×`, String(pairs)],
  })),
)
</script>

<template>
  <SaidChart :option :label :columns :rows height="h-56" />
</template>

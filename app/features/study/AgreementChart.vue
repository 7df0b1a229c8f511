<script setup lang="ts">
import type { EChartsCoreOption } from 'echarts/core'
import { unitOfSite, type SiteAgreement } from '#core'

/** Limits of agreement: the difference of each pair over its mean, with the bias and where 95 % of differences lie. */
const { result, names = undefined } = defineProps<{
  result: SiteAgreement
  /** What each subject is called. */ names?: readonly string[]
}>()
const unit = computed(() => unitOfSite(result.site))
const points = computed(() =>
  result.marked.map(({ subject, first, second, far }) => ({
    ...{ subject, first, second, far, mean: (first + second) / 2, off: second - first },
  })),
)
const label = computed(() => t('study.chartLabel', { site: nameOf(result.site), unit: unit.value }))
const span = computed(() => {
  const [low, high] = result.limits ?? [0, 0]
  const most = Math.max(
    ...points.value.map(({ off }) => Math.abs(off)),
    Math.abs(low),
    Math.abs(high),
  )
  return roundBounds(-most * 1.1, most * 1.1)
})
const wide = computed(() => {
  const means = points.value.map(({ mean }) => mean)
  return roundBounds(Math.min(...means) - 1, Math.max(...means) + 1)
})

const lineAt = (value: number, words: string, dashed: boolean) => ({
  yAxis: value,
  lineStyle: { color: dashed ? AMBER : LEAF, type: dashed ? 'dashed' : 'solid', width: 2 },
  label: { ...MARK_LABEL, formatter: words, position: 'insideEndTop' },
})
const option = computed<EChartsCoreOption>(() => ({
  animation: false,
  grid: { left: 52, right: 16, top: 16, bottom: 46 },
  xAxis: {
    ...{ type: 'value', ...wide.value, axisLabel: AXIS_LABEL, splitLine: { show: false } },
    ...{ name: t('study.meanOfBoth', { unit: unit.value }), nameLocation: 'middle', nameGap: 26 },
    nameTextStyle: AXIS_LABEL,
    axisLine: { onZero: false, lineStyle: { color: LINE } },
  },
  yAxis: {
    ...{ type: 'value', ...span.value },
    axisLabel: AXIS_LABEL,
    splitLine: { lineStyle: { color: LINE } },
  },
  series: [
    {
      type: 'line',
      data: points.value.map(({ mean, off, far }) => ({
        value: [mean, off],
        symbol: far ? 'diamond' : 'circle',
        symbolSize: far ? 16 : 9,
        itemStyle: { color: far ? AMBER : INK },
      })),
      lineStyle: { opacity: 0 },
      markLine: {
        ...{ silent: true, symbol: 'none' },
        data: [
          lineAt(result.bias, t('study.biasIs', { value: signed(result.bias, 1) }), false),
          ...(result.limits ?? []).map((at) => lineAt(at, signed(at, 1), true)),
        ],
      },
    },
  ],
}))
const columns = computed(() => [t('study.first'), t('study.second'), t('study.difference')])
const rows = computed(() =>
  points.value.map(({ subject, first, second, off, far }, i) => ({
    head: `${names?.[Number(subject)] ?? t('study.pairNumber', { number: i + 1 })}${far ? ` ${t('study.far')}` : ''}`,
    cells: [fixed(first, 1), fixed(second, 1), signed(off, 1)],
  })),
)
</script>

<template>
  <figure>
    <SaidChart :option :label :columns :rows height="h-72" />
    <figcaption class="pt-2 text-faded">
      {{ t('study.chartSaid') }}
      <strong v-if="points.some(({ far }) => far)" class="text-ink">
        {{ t('study.farCounts', { count: points.filter(({ far }) => far).length }) }}
      </strong>
    </figcaption>
  </figure>
</template>

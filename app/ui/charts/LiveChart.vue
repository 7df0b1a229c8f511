<script setup lang="ts">
import type { EChartsCoreOption } from 'echarts/core'
import VChart from 'vue-echarts'

/** A chart that answers to the pointer. */
useChartParts()

const props = defineProps<{
  option: EChartsCoreOption
  /** Drawing across the chart chooses a stretch of the x axis. */
  brushing?: boolean
}>()
const emit = defineEmits<{ brush: [from: number, to: number]; drawn: [] }>()

const chart = useTemplateRef<InstanceType<typeof VChart>>('chart')
function startBrush() {
  if (!props.brushing) return
  chart.value?.dispatchAction({
    type: 'takeGlobalCursor',
    key: 'brush',
    brushOption: { brushType: 'lineX', brushMode: 'single' },
  })
}
watch(() => props.brushing, startBrush)
function onBrushEnd(payload: object) {
  const { areas } = payload as { areas: { coordRange?: [number, number] }[] }
  const range = areas[0]?.coordRange
  if (range) emit('brush', ...range)
}
</script>

<template>
  <!-- The chart fills the box around it; its own style would win over a height given here. -->
  <VChart
    ref="chart"
    :option
    autoresize
    class="absolute! inset-0"
    @rendered.once="(startBrush(), emit('drawn'))"
    @brushend="onBrushEnd"
  />
</template>

<script setup lang="ts">
import { LineChart } from 'echarts/charts'
import {
  AriaComponent,
  BrushComponent,
  DataZoomComponent,
  GridComponent,
  MarkLineComponent,
  TooltipComponent,
} from 'echarts/components'
import { use } from 'echarts/core'
import { CanvasRenderer } from 'echarts/renderers'
import type { EChartsCoreOption } from 'echarts/core'
import VChart from 'vue-echarts'

use([
  LineChart,
  GridComponent,
  TooltipComponent,
  AriaComponent,
  MarkLineComponent,
  DataZoomComponent,
  BrushComponent,
  CanvasRenderer,
])

const props = defineProps<{
  option: EChartsCoreOption
  /** What the chart shows, in a sentence, for those who do not see it. */
  label: string
  /** Drawing across the chart chooses a stretch of the x axis. */
  brushing?: boolean
}>()
const emit = defineEmits<{ brush: [from: number, to: number] }>()

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
  <div role="img" :aria-label="label" class="relative h-full w-full">
    <VChart
      ref="chart"
      :option="option"
      autoresize
      class="absolute! inset-0"
      aria-hidden="true"
      @rendered.once="startBrush"
      @brushend="onBrushEnd"
    />
  </div>
</template>

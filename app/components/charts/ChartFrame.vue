<script setup lang="ts">
import { LineChart } from 'echarts/charts'
import { AriaComponent, GridComponent, TooltipComponent } from 'echarts/components'
import { use } from 'echarts/core'
import { CanvasRenderer } from 'echarts/renderers'
import type { EChartsCoreOption } from 'echarts/core'
import VChart from 'vue-echarts'

use([LineChart, GridComponent, TooltipComponent, AriaComponent, CanvasRenderer])

defineProps<{
  option: EChartsCoreOption
  /** What the chart shows, in a sentence, for those who do not see it. */
  label: string
}>()
</script>

<template>
  <!-- The chart fills the box around it; its own style would win over a height given here. -->
  <div role="img" :aria-label="label" class="relative h-full w-full">
    <VChart :option="option" autoresize class="absolute! inset-0" aria-hidden="true" />
  </div>
</template>

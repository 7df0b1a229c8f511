<script setup lang="ts">
import type { EChartsCoreOption } from 'echarts/core'

/**
 * A chart: first a picture that a worker draws, which leaves the page free; the live chart, with its words at every
 * point, takes its place once it is pointed at, touched or drawn across.
 */
const props = defineProps<{
  option: EChartsCoreOption
  /** What the chart shows, in a sentence, for those who do not see it. */
  label: string
  /** Drawing across the chart chooses a stretch of the x axis. */
  brushing?: boolean
  /** Where the box begins in what it scrolls with, px. */
  at?: number
}>()
const emit = defineEmits<{ brush: [from: number, to: number]; live: [] }>()

const box = useTemplateRef<HTMLElement>('box')
const canvas = useTemplateRef<HTMLCanvasElement>('canvas')
const touched = ref(typeof OffscreenCanvas === 'undefined')
const live = ref(false)
function comeAlive() {
  live.value = true
  emit('live')
}
const { drawn, shift } = useChartPicture(
  box,
  canvas,
  () => props.option,
  () => props.at ?? 0,
)
watch(
  () => props.brushing,
  (brushing) => {
    if (brushing) touched.value = true
  },
  { immediate: true },
)
</script>

<template>
  <div
    ref="box"
    role="img"
    :aria-label="label"
    class="relative h-full w-full"
    :data-drawn="live ? 'live' : drawn ? 'picture' : undefined"
    @pointerenter="touched = true"
  >
    <LazyLiveChart
      v-if="touched"
      :option
      :brushing
      aria-hidden="true"
      @drawn="comeAlive"
      @brush="(from, to) => emit('brush', from, to)"
    />
    <canvas
      v-if="!live"
      ref="canvas"
      aria-hidden="true"
      class="pointer-events-none absolute inset-0 h-full w-full"
      :style="{ transform: shift ? `translateX(${shift}px)` : undefined }"
    />
  </div>
</template>

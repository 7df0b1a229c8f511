<script setup lang="ts">
import type { MassUnit } from '#core'
import type { ClientEvent } from '#shared/tracking'
import type { LedgerPoint } from './CompositionChart.vue'

/** The curve over the sheet. It follows the scrolling by itself, so that the sheet is not drawn again with it. */
const props = defineProps<{
  scroller: HTMLElement | null
  points: LedgerPoint[]
  events: ClientEvent[]
  unit: MassUnit
  labelWidth: number
  /** Width before the browser has measured the sheet, px. */
  firstWidth: number
  thenIndex: number
  nowIndex: number
}>()

const scrolled = ref(0)
const wide = ref(props.firstWidth)
let waiting = false
function look() {
  if (waiting) return
  waiting = true
  requestAnimationFrame(() => {
    waiting = false
    if (!props.scroller) return
    scrolled.value = props.scroller.scrollLeft
    wide.value = props.scroller.clientWidth
  })
}
const observer = import.meta.client ? new ResizeObserver(look) : undefined
watch(
  () => props.scroller,
  (box, before) => {
    before?.removeEventListener('scroll', look)
    observer?.disconnect()
    box?.addEventListener('scroll', look, { passive: true })
    if (box) observer?.observe(box)
    look()
  },
  { immediate: import.meta.client },
)
onBeforeUnmount(() => {
  props.scroller?.removeEventListener('scroll', look)
  observer?.disconnect()
})
</script>

<template>
  <div class="sticky left-0 h-[210px]" :style="{ width: `${wide}px` }" data-test="chart">
    <ClientOnly>
      <LazyCompositionChart
        :points="points"
        :events="events"
        :unit="unit"
        :label-width="labelWidth"
        :from="scrolled"
        :to="scrolled + wide - labelWidth"
        :then-index="thenIndex"
        :now-index="nowIndex"
      />
    </ClientOnly>
  </div>
</template>

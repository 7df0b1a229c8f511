<script setup lang="ts">
import { massIn, type MassUnit } from '#core'
import type { ClientNote } from '#shared/contract/notes'
import type { LedgerPoint } from './CompositionChart.vue'

/**
 * The curve over the sheet. A stretch of it is drawn, wider than what is in sight, and scrolls with the sheet; it is
 * drawn anew only where the scrolling comes to its end.
 */
const props = defineProps<{
  scroller: HTMLElement | null
  /** Undefined until the bands are worked out. */
  points: LedgerPoint[] | undefined
  events: ClientNote[]
  unit: MassUnit
  labelWidth: number
  /** Width of all columns together, px. */
  columnsWidth: number
  /** Width before the browser has measured the sheet, px. */
  firstWidth: number
  thenIndex: number
  nowIndex: number
}>()

const HEIGHT = 210

const atRest = useAtRest()

const wide = ref(props.firstWidth - props.labelWidth)
const from = ref(Math.max(0, props.columnsWidth - 2 * wide.value))
/** As wide as two windows, half of one on either side of what is in sight. */
const width = computed(() => Math.min(Math.max(props.columnsWidth, wide.value), 2 * wide.value))
const last = computed(() => Math.max(0, props.columnsWidth - width.value))

let waiting = false
function look() {
  if (waiting) return
  waiting = true
  // After the frame, so that the sheet and the curve are not drawn anew in the same one.
  afterPaint(() => {
    waiting = false
    const box = props.scroller
    if (!box) return
    wide.value = box.clientWidth - props.labelWidth
    const [left, right] = [box.scrollLeft, box.scrollLeft + wide.value]
    const least = wide.value / 8
    const within =
      (from.value <= left - least || from.value <= 0) &&
      (from.value + width.value >= right + least || from.value >= last.value)
    const centred = left - (width.value - wide.value) / 2
    if (!within) from.value = Math.min(Math.max(0, centred), last.value)
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

/** Bounds of all, so that the axis stands still under the scrolling. */
const bounds = computed(() => {
  if (!atRest.value || !props.points) return undefined
  const edges = props.points.flatMap(({ fat, lean }) =>
    [fat, lean].flatMap((b) => (b ? [b.value - b.halfWidth, b.value + b.halfWidth] : [])),
  )
  const inUnit = edges.map((kg) => massIn(kg, props.unit))
  return inUnit.length ? roundBounds(Math.min(...inUnit), Math.max(...inUnit)) : undefined
})
const figures = computed(() => {
  if (!bounds.value) return []
  const { min, max, interval } = bounds.value
  const room = HEIGHT - LEDGER_GRID.top - LEDGER_GRID.bottom
  return Array.from({ length: Math.round((max - min) / interval) + 1 }, (_, i) => ({
    figure: min + i * interval,
    y: LEDGER_GRID.top + room * (1 - (i * interval) / (max - min)),
  }))
})
</script>

<template>
  <div class="relative" :style="{ height: `${HEIGHT}px` }">
    <div
      class="sticky left-0 z-10 h-full bg-chalk text-right text-faded"
      :style="{ width: `${labelWidth}px` }"
      aria-hidden="true"
    >
      <span class="absolute top-0 right-2 text-[14px]">{{ unit }}</span>
      <span
        v-for="{ figure, y } in figures"
        :key="figure"
        class="figure absolute right-2 -translate-y-1/2 text-[14px]"
        :style="{ top: `${y}px` }"
        >{{ figure }}</span
      >
    </div>
    <div
      class="absolute top-0 h-full"
      :style="{ left: `${labelWidth + from}px`, width: `${width}px` }"
      data-test="chart"
    >
      <ClientOnly>
        <LazyCompositionChart
          v-if="atRest && points"
          :points
          :events
          :unit
          :bounds
          :from
          :to="from + width"
          :then-index
          :now-index
        />
      </ClientOnly>
    </div>
  </div>
</template>

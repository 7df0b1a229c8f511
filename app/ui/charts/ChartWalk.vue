<script setup lang="ts">
/**
 * What stands around a chart so that everybody can read its values: pointed at, touched, or walked with the arrow keys,
 * the nearest of them is said in a line under it; and all of them stand in a table behind it.
 */
export interface ChartRow {
  /** What it is of: a day, or a week of a plan. */
  head: string
  /** Place along the chart, percent; none for a chart that says its own points. */
  x?: number
  /** One a column; none where there is nothing. */
  cells: (string | undefined)[]
}

const props = defineProps<{
  /** What the chart shows, in a sentence. */
  label: string
  columns: string[]
  rows: readonly ChartRow[]
  /** The chart says its values itself where it is pointed at. */
  ownWords?: boolean
}>()

const at = ref<number>()
watch(
  () => props.rows.length,
  () => (at.value = undefined),
)
const current = computed(() => (at.value === undefined ? undefined : props.rows[at.value]))

/** What is said of a row: each of its values with the name of its column. */
const said = computed(() => {
  if (!current.value) return ''
  return rowText(current.value, props.columns)
})

const STEPS: Record<string, (from: number, last: number) => number> = {
  ArrowLeft: (from) => Math.max(0, from - 1),
  ArrowRight: (from, last) => Math.min(last, from + 1),
  Home: () => 0,
  End: (_, last) => last,
}
function onKey(event: KeyboardEvent) {
  if (event.key === 'Escape') return void (at.value = undefined)
  const step = STEPS[event.key]
  if (!step || props.rows.length === 0 || event.altKey || event.ctrlKey || event.metaKey) return
  event.preventDefault()
  const last = props.rows.length - 1
  // From beyond the last of them, where none was chosen yet.
  at.value = step(at.value ?? props.rows.length, last)
}

/** The nearest value to where the pointer or finger is, along the chart. */
function onPointer(event: PointerEvent) {
  if (props.ownWords) return
  const plot = (event.currentTarget as HTMLElement).querySelector('[data-plot]')
  if (!plot) return
  const { left, width } = plot.getBoundingClientRect()
  const share = (100 * (event.clientX - left)) / width
  let nearest: number | undefined
  props.rows.forEach(({ x }, i) => {
    if (x === undefined) return
    const before = nearest === undefined ? Infinity : Math.abs(props.rows[nearest]!.x! - share)
    if (Math.abs(x - share) < before) nearest = i
  })
  at.value = nearest
}
</script>

<template>
  <div>
    <div
      role="group"
      tabindex="0"
      :aria-label="t('charts.walk', { chart: label })"
      data-test="chart-walk"
      @keydown="onKey"
      @pointermove="onPointer"
      @pointerdown="onPointer"
    >
      <slot :x="current?.x" />
    </div>
    <p
      role="status"
      class="min-h-6 pt-1 text-[15px] print:hidden"
      :class="{ 'text-faded': !said }"
      data-test="chart-says"
    >
      <template v-if="said">{{ said }}</template>
      <template v-else>
        <span class="pointer-coarse:hidden">{{ t('charts.hint') }}</span>
        <span class="hidden pointer-coarse:inline">{{ t('charts.hintTouch') }}</span>
      </template>
    </p>
    <details class="print:hidden">
      <summary class="min-h-11 cursor-pointer py-2 text-[15px] underline underline-offset-4">
        {{ t('charts.table') }}
      </summary>
      <ScrollTable :label="t('charts.table')" :caption="label" class="w-full">
        <TableHead :columns />
        <tbody>
          <tr v-for="row in rows" :key="row.head" class="border-b border-line">
            <th scope="row" class="py-1 pr-2 whitespace-nowrap">{{ row.head }}</th>
            <td
              v-for="(cell, i) in row.cells"
              :key="i"
              class="figure pl-3 text-right text-[17px] whitespace-nowrap"
            >
              {{ cell ?? t('charts.none') }}
            </td>
          </tr>
        </tbody>
      </ScrollTable>
    </details>
  </div>
</template>

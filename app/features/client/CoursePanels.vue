<script setup lang="ts">
import {
  daysBetween,
  type CoursePoint,
  type IsoDate,
  type JudgedChange,
  type RecordQuantity,
  type ShownUnits,
} from '#core'

/** What is followed, as change over time: each in a panel of its own, all to one scale. */
const props = defineProps<{
  course: CoursePoint[]
  quantities: RecordQuantity[]
  units: ShownUnits
  /** The change over the whole of it, as it is judged. */
  changes: Partial<Record<RecordQuantity, JudgedChange>>
  /** Where it counts from, in words: the first check-in. */
  from: string
  /** Days that are marked: when the plan began. */
  marks: { date: IsoDate; words: string }[]
  /** True for a check-in by another tester or caliper than the newest. */
  isOther: (date: IsoDate) => boolean
}>()

const panels = computed(() => coursePanels(props.course, props.quantities, props.units))
const ends = computed(() => ({ first: props.course[0]!.date, last: props.course.at(-1)!.date }))
const days = computed(() => daysBetween(ends.value.first, ends.value.last))
/** Where a day stands, percent from the left. */
const xOf = (date: IsoDate) => (100 * daysBetween(ends.value.first, date)) / days.value
const shownMarks = computed(() =>
  props.marks
    .filter(({ date }) => date > ends.value.first && date < ends.value.last)
    .map((mark) => ({ ...mark, x: xOf(mark.date) })),
)

const gridText = (value: number) =>
  value === 0 ? '0' : signed(value, Number.isInteger(value) ? 0 : 1)

const TONES: Partial<Record<RecordQuantity, { text: string; stroke: string; fill: string }>> = {
  lean: { text: 'text-leaf', stroke: 'stroke-leaf', fill: 'fill-leaf' },
  fat: { text: 'text-amber', stroke: 'stroke-amber', fill: 'fill-amber' },
}
const OTHER = { text: 'text-oak', stroke: 'stroke-oak', fill: 'fill-oak' }
const toneOf = (quantity: RecordQuantity) => TONES[quantity] ?? OTHER

/** The change at the end of the line, and how sure it is. */
function endOf(quantity: RecordQuantity) {
  const change = props.changes[quantity]
  return change
    ? {
        amount: signedQuantity(quantity, change.change, props.units),
        sure: change.verdict === 'no-change' ? 'held' : verdictWords(change.verdict),
      }
    : { amount: '', sure: '' }
}
/** Every day with what the lines are at, for who points at them and for the table. */
const columns = computed(() =>
  panels.value.map(
    ({ quantity }) => `${quantityTitle(quantity)}, ${unitOfQuantity(quantity, props.units)}`,
  ),
)
const rows = computed(() =>
  props.course.map(({ date }) => ({
    head: formatDate(date, true),
    x: xOf(date),
    cells: panels.value.map(({ points }) => {
      const point = points.find((one) => one.date === date)
      return point && rangeText(point, (value) => signed(value, 1))
    }),
  })),
)
const whole = computed(() => panels.value.map(({ quantity }) => label(quantity)).join(' '))
const label = (quantity: RecordQuantity) => {
  const { amount, sure } = endOf(quantity)
  return t('record.panelLabel', {
    quantity: quantityTitle(quantity),
    from: props.from,
    amount,
    unit: unitOfQuantity(quantity, props.units),
    sure,
  })
}
</script>

<template>
  <figure class="min-w-0" data-test="panels">
    <ChartWalk v-slot="{ x }" :label="whole" :columns :rows>
      <div v-for="panel in panels" :key="panel.quantity" class="pb-3">
        <h3 class="pb-1 text-lg" :class="toneOf(panel.quantity).text">
          {{ quantityTitle(panel.quantity) }}, {{ unitOfQuantity(panel.quantity, units) }}
          {{ from }}
        </h3>
        <div
          class="relative mr-24 ml-10"
          :style="{ height: `${panel.height}px` }"
          role="img"
          :aria-label="label(panel.quantity)"
          :data-panel="panel.quantity"
          data-plot
        >
          <PanelGrid :lines="panel.grid" :text="gridText" :base="0" :at="x" />
          <span
            v-for="mark in shownMarks"
            :key="mark.date"
            class="absolute inset-y-0 border-l-2 border-dotted border-clay"
            :style="{ left: `${mark.x}%` }"
          />
          <svg
            class="absolute inset-0 h-full w-full overflow-visible"
            viewBox="0 0 100 100"
            preserveAspectRatio="none"
          >
            <polygon :points="panel.band" :class="toneOf(panel.quantity).fill" opacity="0.16" />
            <polyline
              :points="panel.line"
              fill="none"
              stroke-width="3"
              vector-effect="non-scaling-stroke"
              :stroke-dasharray="panel.quantity === 'fat' ? '9 4' : undefined"
              :class="toneOf(panel.quantity).stroke"
            />
          </svg>
          <span
            v-for="point in panel.points"
            :key="point.date"
            class="absolute size-2.5 -translate-1/2 rounded-full border-2 border-current"
            :class="[toneOf(panel.quantity).text, isOther(point.date) ? 'bg-chalk' : 'bg-current']"
            :style="{ left: `${point.x}%`, top: `${point.y}%` }"
            :title="
              t('record.pointLabel', {
                date: formatDate(point.date, true),
                read: signed(point.read, 1),
                unit: unitOfQuantity(panel.quantity, units),
              })
            "
          />
          <span
            class="figure absolute left-full w-24 -translate-y-1/2 pl-3 text-[20px] leading-none wrap-anywhere"
            :class="toneOf(panel.quantity).text"
            :style="{ top: `${panel.end}%` }"
          >
            {{ endOf(panel.quantity).amount }}
            <span class="block text-[15px]">{{ endOf(panel.quantity).sure }}</span>
          </span>
        </div>
      </div>
      <p class="mr-24 ml-10 flex justify-between text-[15px] text-faded">
        <span>{{ formatDate(ends.first, true) }}</span>
        <span>{{ formatDate(ends.last, true) }}</span>
      </p>
    </ChartWalk>
    <figcaption class="mr-24 ml-10 text-[15px] text-faded">
      <span v-for="mark in shownMarks" :key="mark.date" class="block">
        <span class="text-clay" aria-hidden="true">┊</span>
        {{ formatDate(mark.date, true) }}: {{ mark.words }}
      </span>
      {{
        course.some(({ date }) => isOther(date)) ? t('record.legendWithHollow') : t('record.legend')
      }}
    </figcaption>
  </figure>
</template>

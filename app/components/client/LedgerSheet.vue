<script setup lang="ts">
import { useVirtualizer, type Range, type VirtualItem } from '@tanstack/vue-virtual'
import {
  bandOf,
  basisOf,
  fixed,
  formatDate,
  formatFold,
  isSkinfold,
  lengthIn,
  massIn,
  nameOf,
  protocolOf,
  trialsOf,
  type MassUnit,
  type SiteId,
} from '#core'
import type { ClientView } from '#shared/check-ins'
import { measuredOf } from '#shared/measured'
import { changedHands } from '~/utils/hands'

const props = defineProps<{
  view: ClientView
  unit: MassUnit
  /** False where the client sees sums and girths only. */
  percentages: boolean
  /** The two that are compared. */
  thenId?: string
  nowId?: string
}>()
const emit = defineEmits<{ take: [id: string] }>()

const LABEL_WIDTH = 150
const COLUMN_WIDTH = 78
/** What is drawn before the browser has measured the sheet. */
const FIRST_WIDTH = 1200

const { columns, newest, series, values, masses, sites, supersededOf } = useLedger(
  toRef(props, 'view'),
)
const lengthUnit = useLengthUnit()
const showTrials = ref(false)
const showSuperseded = ref(false)

/** Fat and lean mass of each check-in with the band of the hand that took it. */
const points = computed(() => {
  const last = newest.value
  if (!last) return []
  const basis = basisOf(props.view.client, last)
  return series.value.map(({ checkIn, estimate }, i) => {
    const measured = measuredOf(checkIn, props.view)
    const other = changedHands(last, checkIn)
    const band = (quantity: 'fatMass' | 'leanMass') =>
      estimate?.fatMassKg === undefined
        ? null
        : (bandOf(
            props.view.client,
            { ...measured, weekMass: undefined },
            basis,
            quantity,
            other,
          ) ?? null)
    return {
      x: COLUMN_WIDTH * (i + 0.5),
      date: checkIn.measuredOn,
      fat: band('fatMass'),
      lean: band('leanMass'),
      otherHand: !!(other.anotherTester || other.anotherCaliper),
    }
  })
})

interface Line {
  id: SiteId | 'sum' | 'mass' | 'fat-percent' | 'fat' | 'lean'
  label: string
  cell(column: number): string | undefined
  strong?: boolean
  /** Not for a client who sees sums and girths only. */
  level?: boolean
}

const mass = (kg: number | undefined) =>
  kg === undefined ? undefined : fixed(massIn(kg, props.unit), 1)
const site = (id: SiteId, value: number) =>
  isSkinfold(id) ? formatFold(value) : fixed(lengthIn(value, lengthUnit.value), 1)

const lines = computed<Line[]>(() =>
  (
    [
      ...sites.value.map((id) => ({
        id,
        label: isSkinfold(id) ? nameOf(id) : `${nameOf(id)}, ${lengthUnit.value}`,
        cell: (i: number) => {
          const value = values.value[i]![id]
          return value && site(id, value.value)
        },
      })),
      {
        id: 'sum',
        label: 'Sum',
        strong: true,
        cell: (i: number) => {
          const sum = series.value[i]!.estimate?.sumMm
          return sum === undefined ? undefined : formatFold(sum)
        },
      },
      { id: 'mass', label: `Body mass, ${props.unit}`, cell: (i: number) => mass(masses.value[i]) },
      {
        id: 'fat-percent',
        label: 'Fat %',
        level: true,
        cell: (i: number) => {
          const estimate = series.value[i]!.estimate
          return estimate ? fixed(estimate.fatPercent, 1) : undefined
        },
      },
      {
        id: 'fat',
        label: `Fat, ${props.unit}`,
        level: true,
        cell: (i: number) => mass(series.value[i]!.estimate?.fatMassKg),
      },
      {
        id: 'lean',
        label: `Lean, ${props.unit}`,
        level: true,
        cell: (i: number) => mass(series.value[i]!.estimate?.leanMassKg),
      },
    ] as Line[]
  ).filter((line) => props.percentages || !line.level),
)

/** Trials behind a value, in the order of the passes. */
function trials({ id }: Line, i: number): string {
  if (!showTrials.value || !sites.value.includes(id as SiteId)) return ''
  const column = columns.value[i]!
  return trialsOf(column.readings, id as SiteId, protocolOf(column))
    .filter((trial) => trial !== undefined)
    .map((trial) => site(id as SiteId, trial))
    .join(' ')
}
/** What was corrected: values that others took the place of. */
function superseded({ id }: Line, i: number): string[] {
  const kept = sites.value.includes(id as SiteId) || id === 'mass'
  if (!showSuperseded.value || !kept) return []
  return supersededOf(columns.value[i]!, id as SiteId | 'mass').map((r) =>
    id === 'mass' ? mass(r.value)! : site(id as SiteId, r.value),
  )
}

/** Columns are drawn in blocks, with one more on either side of what is in sight. */
const BLOCK = 6
function blocksOf({ startIndex, endIndex, count }: Range): number[] {
  const from = Math.max(0, (Math.floor(startIndex / BLOCK) - 1) * BLOCK)
  const to = Math.min(count, (Math.floor(endIndex / BLOCK) + 2) * BLOCK)
  return Array.from({ length: to - from }, (_, i) => from + i)
}

const scroller = useTemplateRef<HTMLDivElement>('scroller')
const whole = computed(() => LABEL_WIDTH + COLUMN_WIDTH * columns.value.length)
const virtualizer = useVirtualizer(
  computed(() => ({
    horizontal: true,
    count: columns.value.length,
    getScrollElement: () => scroller.value,
    estimateSize: () => COLUMN_WIDTH,
    paddingStart: LABEL_WIDTH,
    // Room for the column of names, which stays in place.
    scrollPaddingStart: LABEL_WIDTH,
    rangeExtractor: blocksOf,
    initialRect: { width: FIRST_WIDTH, height: 0 },
    initialOffset: Math.max(0, whole.value - FIRST_WIDTH),
  })),
)
/** The columns drawn; the same list while the block is the same, so that most scrolling draws no cell anew. */
const shown = computed<VirtualItem[]>((before) => {
  const items = virtualizer.value.getVirtualItems()
  const same = before?.length === items.length && before[0]?.index === items[0]?.index
  return same ? before! : items
})
const before = computed(() => (shown.value[0]?.start ?? LABEL_WIDTH) - LABEL_WIDTH)
const after = computed(() => whole.value - (shown.value.at(-1)?.end ?? whole.value))

/** The newest column is what the coach came for: the sheet opens scrolled to it. */
onMounted(() =>
  // After the windowing has put the sheet where it was drawn first.
  requestAnimationFrame(() => {
    const box = scroller.value
    if (box) box.scrollLeft = box.scrollWidth
  }),
)

/* The sheet is walked with the arrows; Enter takes the column into the comparison. */
const at = ref({ row: 0, column: Math.max(0, columns.value.length - 1) })
async function go(row: number, column: number) {
  at.value = {
    row: Math.min(Math.max(row, 0), lines.value.length - 1),
    column: Math.min(Math.max(column, 0), columns.value.length - 1),
  }
  virtualizer.value.scrollToIndex(at.value.column)
  await nextTick()
  requestAnimationFrame(() =>
    scroller.value
      ?.querySelector<HTMLElement>(`[data-cell="${at.value.row},${at.value.column}"]`)
      ?.focus({ preventScroll: true }),
  )
}
function onKey(event: KeyboardEvent) {
  const { row, column } = at.value
  const inSight = (scroller.value?.clientWidth ?? FIRST_WIDTH) - LABEL_WIDTH
  const page = Math.max(1, Math.floor(inSight / COLUMN_WIDTH) - 1)
  const moves: Record<string, [number, number]> = {
    ArrowLeft: [row, column - 1],
    ArrowRight: [row, column + 1],
    ArrowUp: [row - 1, column],
    ArrowDown: [row + 1, column],
    Home: [row, 0],
    End: [row, columns.value.length - 1],
    PageUp: [row, column - page],
    PageDown: [row, column + page],
  }
  const move = moves[event.key]
  if (move) {
    event.preventDefault()
    void go(...move)
  } else if (event.key === 'Enter' || event.key === ' ') {
    event.preventDefault()
    emit('take', columns.value[column]!.id)
  }
}

const resultOf = (id: string) => `/clients/${props.view.client.id}/check-ins/${id}`
const role = (id: string) => (id === props.thenId ? 'then' : id === props.nowId ? 'now' : undefined)
</script>

<template>
  <div>
    <div
      ref="scroller"
      class="relative overflow-x-auto"
      tabindex="0"
      role="region"
      aria-label="Ledger and curves"
    >
      <div :style="{ width: `${whole}px`, minWidth: '100%' }">
        <LedgerChart
          v-if="percentages"
          :scroller="scroller"
          :points="points"
          :events="view.events"
          :unit="unit"
          :label-width="LABEL_WIDTH"
          :first-width="FIRST_WIDTH"
          :then-index="columns.findIndex(({ id }) => id === thenId)"
          :now-index="columns.findIndex(({ id }) => id === nowId)"
        />
        <table
          class="table-fixed border-collapse"
          :style="{ width: `${whole}px` }"
          role="grid"
          :aria-colcount="columns.length + 1"
          data-test="ledger"
        >
          <caption class="sr-only">
            Check-ins, oldest first. Arrows walk, Enter takes a column into the comparison.
          </caption>
          <colgroup>
            <col :style="{ width: `${LABEL_WIDTH}px` }" />
            <col v-if="before > 0" :style="{ width: `${before}px` }" />
            <col v-for="item in shown" :key="item.index" :style="{ width: `${COLUMN_WIDTH}px` }" />
            <col v-if="after > 0" :style="{ width: `${after}px` }" />
          </colgroup>
          <thead>
            <tr class="border-b-2 border-ink text-faded">
              <th scope="col" class="sticky left-0 z-10 bg-chalk py-1 text-left font-normal">mm</th>
              <td v-if="before > 0" aria-hidden="true" />
              <th
                v-for="item in shown"
                :key="columns[item.index]!.id"
                scope="col"
                class="p-0 text-center font-normal"
                :aria-colindex="item.index + 2"
              >
                <button
                  type="button"
                  tabindex="-1"
                  class="min-h-11 w-full leading-tight"
                  :class="role(columns[item.index]!.id) ? 'bg-oak font-bold text-chalk' : ''"
                  :aria-pressed="role(columns[item.index]!.id) !== undefined"
                  @click="emit('take', columns[item.index]!.id)"
                >
                  {{ formatDate(columns[item.index]!.measuredOn) }}
                  <span class="block text-sm">{{
                    role(columns[item.index]!.id) ?? columns[item.index]!.measuredOn.slice(0, 4)
                  }}</span>
                </button>
              </th>
              <td v-if="after > 0" aria-hidden="true" />
            </tr>
          </thead>
          <tbody @keydown="onKey">
            <tr
              v-for="(line, row) in lines"
              :key="line.id"
              :class="line.strong ? 'border-y-2 border-ink' : 'border-b border-line'"
            >
              <th
                scope="row"
                class="sticky left-0 z-10 bg-chalk py-0.5 pr-2 text-left leading-tight"
              >
                {{ line.label }}
              </th>
              <td v-if="before > 0" aria-hidden="true" />
              <td
                v-for="item in shown"
                :key="columns[item.index]!.id"
                class="figure py-0.5 pr-3 text-right text-[20px]"
                :class="role(columns[item.index]!.id) ? 'bg-board text-ink' : 'text-faded'"
                :aria-colindex="item.index + 2"
                :data-cell="`${row},${item.index}`"
                :tabindex="at.row === row && at.column === item.index ? 0 : -1"
                :title="series[item.index]!.gap"
                @focus="at = { row, column: item.index }"
              >
                {{ line.cell(item.index) ?? '–' }}
                <span
                  v-if="trials(line, item.index)"
                  class="block text-[14px] leading-tight text-faded"
                  >{{ trials(line, item.index) }}</span
                >
                <s
                  v-for="(old, i) in superseded(line, item.index)"
                  :key="i"
                  class="block text-[14px] leading-tight text-clay"
                  >{{ old }}</s
                >
              </td>
              <td v-if="after > 0" aria-hidden="true" />
            </tr>
            <tr>
              <th scope="row" class="sticky left-0 z-10 bg-chalk text-left font-normal text-faded">
                Whole result
              </th>
              <td v-if="before > 0" aria-hidden="true" />
              <td v-for="item in shown" :key="columns[item.index]!.id" class="pr-3 text-right">
                <!-- A plain link, since a column of them is made anew with every block. -->
                <a
                  :href="resultOf(columns[item.index]!.id)"
                  class="inline-block min-h-11 py-2 underline decoration-line underline-offset-4"
                  @click.prevent="navigateTo(resultOf(columns[item.index]!.id))"
                >
                  open<span class="sr-only"
                    >, {{ formatDate(columns[item.index]!.measuredOn, true) }}</span
                  >
                </a>
              </td>
              <td v-if="after > 0" aria-hidden="true" />
            </tr>
          </tbody>
        </table>
      </div>
    </div>
    <div class="flex flex-wrap items-center gap-x-6 gap-y-1 pt-2 print:hidden">
      <label class="flex min-h-11 items-center gap-2">
        <input v-model="showTrials" type="checkbox" class="size-5 accent-leaf" /> trials
      </label>
      <label class="flex min-h-11 items-center gap-2">
        <input v-model="showSuperseded" type="checkbox" class="size-5 accent-leaf" /> corrected
        values
      </label>
      <span class="text-faded">
        Tap a date to compare it. Hollow points: another tester or caliper.
        <template v-if="series.some(({ gap }) => gap)">
          A dash where a check-in has no estimate by this equation: point at it for why.
        </template>
      </span>
    </div>
  </div>
</template>

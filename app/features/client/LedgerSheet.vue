<script setup lang="ts">
import { useVirtualizer, type Range } from '@tanstack/vue-virtual'
import {
  bandsOf,
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
  setupChange,
  type MassUnit,
  type Measured,
  type SiteId,
} from '#core'
import type { CheckInWithReadings } from '#shared/contract/check-ins'
import type { ClientRecord } from '#shared/contract/record'
import type { LedgerColumn } from './LedgerCells.vue'

const props = defineProps<{
  view: ClientRecord
  /** Closed check-ins, oldest first. */
  measured: readonly (Measured & CheckInWithReadings)[]
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

const columns = toRef(props, 'measured')
const { newest, series, values, masses, sites, supersededOf } = useLedger(
  toRef(props, 'view'),
  columns,
)
const lengthUnit = useLengthUnit()
const showTrials = ref(false)
const showSuperseded = ref(false)

/** Fat and lean mass of each check-in with the band of its measurement error. */
const points = computed(() => {
  const last = newest.value
  if (!last) return []
  const basis = basisOf(props.view.client, last)
  return series.value.map(({ checkIn, estimate }, i) => {
    const other = setupChange(last, checkIn)
    const bands =
      estimate?.fatMassKg === undefined ? {} : bandsOf(props.view.client, checkIn, basis, last)
    return {
      x: COLUMN_WIDTH * (i + 0.5),
      date: checkIn.measuredOn,
      fat: bands.fatMass ?? null,
      lean: bands.leanMass ?? null,
      otherSetup: other.anotherTester || other.anotherCaliper,
    }
  })
})

interface Line {
  id: SiteId | 'sum' | 'mass' | 'fat-percent' | 'fat' | 'lean'
  label: string
  strong?: boolean
  /** Not for a client who sees sums and girths only. */
  level?: boolean
}

const lines = computed<Line[]>(() =>
  [
    ...sites.value.map((id) => ({
      id,
      label: isSkinfold(id) ? nameOf(id) : `${nameOf(id)}, ${lengthUnit.value}`,
    })),
    { id: 'sum' as const, label: 'Sum', strong: true },
    { id: 'mass' as const, label: `Body mass, ${props.unit}` },
    { id: 'fat-percent' as const, label: 'Fat %', level: true },
    { id: 'fat' as const, label: `Fat, ${props.unit}`, level: true },
    { id: 'lean' as const, label: `Lean, ${props.unit}`, level: true },
  ].filter((line: Line) => props.percentages || !line.level),
)

/** A column in words. */
const columnAt = computed(() => {
  // Read here, so that a change of any makes all columns anew.
  const [unit, length, withTrials] = [props.unit, lengthUnit.value, showTrials.value]
  const [withSuperseded, thenId, nowId] = [showSuperseded.value, props.thenId, props.nowId]
  const all = columns.value.map((checkIn, i) => ({
    checkIn,
    ...{ point: series.value[i]!, values: values.value[i]!, massKg: masses.value[i] },
  }))
  const rows = lines.value.map(({ id }) => id)
  const ofSite = new Set<string>(sites.value)

  const mass = (kg: number | undefined) => (kg === undefined ? '–' : fixed(massIn(kg, unit), 1))
  const site = (id: SiteId, value: number) =>
    isSkinfold(id) ? formatFold(value) : fixed(lengthIn(value, length), 1)
  function text(id: Line['id'], { point, values: taken, massKg }: (typeof all)[number]) {
    const { estimate } = point
    if (id === 'mass') return mass(massKg)
    if (id === 'fat') return mass(estimate?.fatMassKg)
    if (id === 'lean') return mass(estimate?.leanMassKg)
    if (id === 'fat-percent') return estimate ? fixed(estimate.fatPercent, 1) : '–'
    if (id === 'sum') return estimate?.sumMm === undefined ? '–' : formatFold(estimate.sumMm)
    return taken[id] ? site(id, taken[id].value) : '–'
  }
  const trials = (id: Line['id'], { checkIn }: (typeof all)[number]) =>
    withTrials && ofSite.has(id)
      ? trialsOf(checkIn.readings, id as SiteId, protocolOf(checkIn))
          .filter((trial) => trial !== undefined)
          .map((trial) => site(id as SiteId, trial))
          .join(' ')
      : ''
  const superseded = (id: Line['id'], { checkIn }: (typeof all)[number]) =>
    withSuperseded && (ofSite.has(id) || id === 'mass')
      ? supersededOf(checkIn, id as SiteId | 'mass').map((r) =>
          id === 'mass' ? mass(r.value) : site(id as SiteId, r.value),
        )
      : []
  return (index: number): LedgerColumn => {
    const column = all[index]!
    const { id, measuredOn } = column.checkIn
    return {
      index,
      id,
      day: formatDate(measuredOn),
      year: measuredOn.slice(0, 4),
      longDate: formatDate(measuredOn, true),
      role: id === thenId ? 'then' : id === nowId ? 'now' : undefined,
      gap: column.point.gap,
      cells: rows.map((row) => ({
        text: text(row, column),
        trials: trials(row, column),
        superseded: superseded(row, column),
      })),
    }
  }
})

/** Columns are drawn in blocks, with one more on either side of what is in sight. */
const BLOCK = 4
const inBlock = (block: number, column: number) => Math.floor(column / BLOCK) === block
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
/**
 * A block is made when it first comes into sight, and is the same list as long as what it shows is the same, so that
 * scrolling draws only the block that comes.
 */
const blockAt = computed(() => {
  const [column, count] = [columnAt.value, columns.value.length]
  const made: LedgerColumn[][] = []
  return (block: number): LedgerColumn[] =>
    (made[block] ??= Array.from({ length: Math.min(BLOCK, count - block * BLOCK) }, (_, i) =>
      column(block * BLOCK + i),
    ))
})
const inSight = computed(() => {
  const items = virtualizer.value.getVirtualItems()
  return { from: items[0]?.index ?? 0, to: (items.at(-1)?.index ?? -1) + 1 }
})
const firstBlock = computed(() => Math.floor(inSight.value.from / BLOCK))
const endBlock = computed(() => Math.ceil(inSight.value.to / BLOCK))
const blocks = computed(() =>
  Array.from({ length: endBlock.value - firstBlock.value }, (_, i) => ({
    block: firstBlock.value + i,
    columns: blockAt.value(firstBlock.value + i),
  })),
)
const drawn = computed(() => blocks.value.flatMap((b) => b.columns))

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

function onFocus({ target }: FocusEvent) {
  const cell = (target as HTMLElement).dataset.cell
  if (!cell) return
  const [row, column] = cell.split(',').map(Number)
  at.value = { row: row!, column: column! }
}

const resultOf = (id: string) => `/clients/${props.view.client.id}/check-ins/${id}`
const labelStyle = { width: `${LABEL_WIDTH}px` }
const cellStyle = { width: `${COLUMN_WIDTH}px` }
/** The room of the columns before those that are drawn. */
const before = computed(() => ({ width: `${COLUMN_WIDTH * BLOCK * firstBlock.value}px` }))
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
          :events="view.notes"
          :unit="unit"
          :label-width="LABEL_WIDTH"
          :columns-width="COLUMN_WIDTH * columns.length"
          :first-width="FIRST_WIDTH"
          :then-index="columns.findIndex(({ id }) => id === thenId)"
          :now-index="columns.findIndex(({ id }) => id === nowId)"
        />
        <!-- Rows of boxes as wide as they say: the browser lays out what is new and leaves the rest, as it does not in a
          table. The roles give the table back. -->
        <table
          class="block"
          role="grid"
          aria-label="Check-ins, oldest first. Arrows walk, Enter takes a column into the comparison."
          :aria-colcount="columns.length + 1"
          data-test="ledger"
        >
          <thead class="block" role="rowgroup">
            <tr class="flex border-b-2 border-ink text-faded" role="row">
              <th
                role="columnheader"
                class="sticky left-0 z-10 shrink-0 bg-chalk py-1 text-left font-normal"
                :style="labelStyle"
              >
                mm
              </th>
              <td role="presentation" class="shrink-0" :style="before" />
              <th
                v-for="{ id, index, day, year, role: part } in drawn"
                :key="id"
                role="columnheader"
                class="shrink-0 p-0 text-center font-normal"
                :style="cellStyle"
                :aria-colindex="index + 2"
              >
                <button
                  type="button"
                  tabindex="-1"
                  class="min-h-11 w-full leading-tight"
                  :class="part ? 'bg-oak font-bold text-chalk' : ''"
                  :aria-pressed="part !== undefined"
                  @click="emit('take', id)"
                >
                  {{ day }}
                  <span class="block text-sm">{{ part ?? year }}</span>
                </button>
              </th>
            </tr>
          </thead>
          <tbody class="block" role="rowgroup" @keydown="onKey" @focusin="onFocus">
            <tr
              v-for="(line, row) in lines"
              :key="line.id"
              class="flex"
              role="row"
              :class="line.strong ? 'border-y-2 border-ink' : 'border-b border-line'"
            >
              <th
                role="rowheader"
                class="sticky left-0 z-10 shrink-0 flex items-center bg-chalk py-0.5 pr-2 text-left leading-tight"
                :style="labelStyle"
              >
                {{ line.label }}
              </th>
              <td role="presentation" class="shrink-0" :style="before" />
              <LedgerCells
                v-for="{ block, columns: cells } in blocks"
                :key="block"
                :columns="cells"
                :row="row"
                :width="COLUMN_WIDTH"
                :tabbed="at.row === row && inBlock(block, at.column) ? at.column : undefined"
              />
            </tr>
            <tr class="flex" role="row">
              <th
                role="rowheader"
                class="sticky left-0 z-10 shrink-0 flex items-center bg-chalk text-left font-normal text-faded"
                :style="labelStyle"
              >
                Whole result
              </th>
              <td role="presentation" class="shrink-0" :style="before" />
              <td
                v-for="{ id, index, longDate } in drawn"
                :key="id"
                role="gridcell"
                class="shrink-0 pr-3 text-right"
                :style="cellStyle"
                :aria-colindex="index + 2"
              >
                <!-- A plain link, since a column of them is made anew with every block. -->
                <a
                  :href="resultOf(id)"
                  class="inline-block min-h-11 py-2 underline decoration-line underline-offset-4"
                  @click.prevent="navigateTo(resultOf(id))"
                >
                  open<span class="sr-only">, {{ longDate }}</span>
                </a>
              </td>
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

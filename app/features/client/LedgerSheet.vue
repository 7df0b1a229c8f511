<script setup lang="ts">
import type { Look, MassUnit, Measured } from '#core'
import type { CheckInWithReadings } from '#shared/contract/check-ins'
import type { ClientRecord } from '#shared/contract/record'
import type { Ledger } from './useLedger'

const props = defineProps<{
  view: ClientRecord
  ledger: Ledger<Measured & CheckInWithReadings>
  unit: MassUnit
  /** False where the client sees sums and girths only. */
  percentages: boolean
  /** What the record says; without it there are no changes to show. */
  look?: Look
  /** The two that are compared. */
  thenId?: string
  nowId?: string
}>()
const emit = defineEmits<{ take: [id: string] }>()

const { columns, series } = props.ledger
// One check-in has no summary yet but what was read.
const showSites = ref(columns.value.length === 1)
const showTrials = ref(false)
const showSuperseded = ref(false)
const source = reactive({ ...toRefs(props), showSites, showTrials, showSuperseded })
const { lines, girthsAlone, changes, columnAt } = useLedgerColumns(props.ledger, source)
const scroller = useTemplateRef<HTMLDivElement>('scroller')
const { whole, virtualizer, blocks, drawn, before } = useLedgerWindow(scroller, columns, columnAt)
const { at, onKey, onFocus } = useLedgerKeys(scroller, columns, lines, virtualizer, (id) =>
  emit('take', id),
)

/** The newest column is what the coach came for: the sheet opens scrolled to it. */
onMounted(() =>
  // After the windowing has put the sheet where it was drawn first.
  requestAnimationFrame(() => {
    const box = scroller.value
    if (box) box.scrollLeft = box.scrollWidth
  }),
)

const resultOf = (id: string) => `/clients/${props.view.client.id}/check-ins/${id}`
const cellStyle = { width: `${COLUMN_WIDTH}px` }
const changeStyle = { width: `${CHANGE_WIDTH}px` }
</script>

<template>
  <div>
    <div
      ref="scroller"
      class="relative overflow-x-auto"
      tabindex="0"
      role="region"
      :aria-label="t('record.ledger')"
    >
      <div :style="{ width: `${whole + CHANGE_WIDTH * changes.length}px`, minWidth: '100%' }">
        <!-- Rows of boxes as wide as they say: the browser lays out what is new and leaves the rest, as it does not in a
          table. The roles give the table back. -->
        <table
          class="block"
          role="grid"
          :aria-label="t('record.checkInsOldestFirstArrows')"
          :aria-colcount="columns.length + changes.length + 1"
          data-test="ledger"
        >
          <InTurn>
            <thead class="block" role="rowgroup">
              <tr class="flex border-b-2 border-ink text-faded" role="row">
                <LedgerLabel role="columnheader" class="py-1 font-normal" :before>
                  <!-- Girths have their unit in their own line. -->
                  {{ girthsAlone ? '' : 'mm' }}
                </LedgerLabel>
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
                <th
                  v-for="({ horizon, title, span }, i) in changes"
                  :key="horizon"
                  role="columnheader"
                  class="shrink-0 py-1 pr-2 text-right leading-tight font-normal"
                  :class="i === 0 && 'ml-auto'"
                  :style="changeStyle"
                  :aria-colindex="columns.length + 2 + i"
                >
                  {{ title }}
                  <span class="block text-sm">{{ span }}</span>
                </th>
              </tr>
            </thead>
          </InTurn>
          <InTurn>
            <tbody class="block" role="rowgroup" @keydown="onKey" @focusin="onFocus">
              <tr
                v-for="(line, row) in lines"
                :key="line.id"
                class="flex"
                role="row"
                :class="line.strong ? 'border-y-2 border-ink' : 'border-b border-line'"
              >
                <LedgerLabel role="rowheader" class="py-0.5 pr-2" :before>
                  {{ line.label }}
                </LedgerLabel>
                <LedgerCells
                  v-for="{ block, columns: cells } in blocks"
                  :key="block"
                  :columns="cells"
                  :row
                  :width="COLUMN_WIDTH"
                  :tabbed="at.row === row && inBlock(block, at.column) ? at.column : undefined"
                />
                <td
                  v-for="({ horizon, cells }, i) in changes"
                  :key="horizon"
                  role="gridcell"
                  class="figure shrink-0 py-0.5 text-right text-[20px] whitespace-nowrap"
                  :class="[i === 0 && 'ml-auto', cells[row]?.clear ? 'text-ink' : 'text-faded']"
                  :style="changeStyle"
                  :aria-colindex="columns.length + 2 + i"
                  :data-change="`${line.id},${horizon}`"
                >
                  <template v-if="cells[row]">
                    {{ cells[row].text }}
                    <span aria-hidden="true" class="inline-block w-5 text-center">{{
                      cells[row].shape
                    }}</span>
                    {{ ' ' }}<span class="sr-only">{{ cells[row].sure }}</span>
                  </template>
                </td>
              </tr>
              <tr class="flex" role="row">
                <LedgerLabel role="rowheader" class="font-normal text-faded" :before>
                  {{ t('record.wholeResult') }}
                </LedgerLabel>
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
                    {{ t('record.open') }} <span class="sr-only">{{ longDate }}</span>
                  </a>
                </td>
              </tr>
            </tbody>
          </InTurn>
        </table>
      </div>
    </div>
    <InTurn>
      <div class="flex flex-wrap items-center gap-x-6 gap-y-1 pt-2 print:hidden">
        <TickBox v-if="!girthsAlone" v-model="showSites">{{ t('record.everySite') }}</TickBox>
        <template v-if="showSites || girthsAlone">
          <TickBox v-model="showTrials">{{ t('record.trials') }}</TickBox>
          <TickBox v-model="showSuperseded">{{ t('record.correctedValues') }}</TickBox>
        </template>
        <span class="text-faded">
          {{ t('record.tapDateCompare') }}
          <template v-if="changes.length">
            {{ t('record.clearLikelyNoChangeMatters') }}
          </template>
          <template v-if="series.some(({ gap }) => gap)">
            {{ t('record.dashWhereCheckNoEstimate') }}
          </template>
        </span>
      </div>
    </InTurn>
  </div>
</template>

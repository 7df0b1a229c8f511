<script setup lang="ts">
import { fixed, formatDate, formatFold, isSkinfold, massIn, nameOf, type MassUnit } from '#core'
import type { ClientView } from '#shared/check-ins'

const props = defineProps<{
  view: ClientView
  unit: MassUnit
  /** False where the client sees sums and girths only. */
  percentages: boolean
}>()

const LABEL_WIDTH = 150
const COLUMN_WIDTH = 74

const { columns, series, equation, values, masses, sites } = useLedger(toRef(props, 'view'))

const points = computed(() =>
  series.value.map(({ checkIn, estimate }) => ({
    date: checkIn.measuredOn,
    fatKg: estimate?.fatMassKg ?? null,
    leanKg: estimate?.leanMassKg ?? null,
  })),
)

interface Line {
  label: string
  cells: (string | undefined)[]
  strong?: boolean
  /** Not for a client who sees sums and girths only. */
  level?: boolean
}

const mass = (kg: number | undefined) =>
  kg === undefined ? undefined : fixed(massIn(kg, props.unit), 1)

const lines = computed<Line[]>(() =>
  (
    [
      ...sites.value.map((site) => ({
        label: isSkinfold(site) ? nameOf(site) : `${nameOf(site)}, cm`,
        cells: values.value.map((v) => (v[site] ? formatFold(v[site].value) : undefined)),
      })),
      {
        label: 'Sum',
        strong: true,
        cells: series.value.map(({ estimate }) =>
          estimate?.sumMm === undefined ? undefined : formatFold(estimate.sumMm),
        ),
      },
      { label: `Body mass, ${props.unit}`, cells: masses.value.map(mass) },
      {
        label: 'Fat %',
        level: true,
        cells: series.value.map(({ estimate }) => estimate && fixed(estimate.fatPercent, 1)),
      },
      {
        label: `Fat, ${props.unit}`,
        level: true,
        cells: series.value.map(({ estimate }) => mass(estimate?.fatMassKg)),
      },
      {
        label: `Lean, ${props.unit}`,
        level: true,
        cells: series.value.map(({ estimate }) => mass(estimate?.leanMassKg)),
      },
    ] as Line[]
  ).filter((line) => props.percentages || !line.level),
)

/** The newest column is what the coach came for: the sheet opens scrolled to it. */
const scroller = useTemplateRef<HTMLDivElement>('scroller')
onMounted(() => {
  const box = scroller.value
  if (box) box.scrollLeft = box.scrollWidth
})

const width = computed(() => LABEL_WIDTH + COLUMN_WIDTH * columns.value.length)
</script>

<template>
  <div
    ref="scroller"
    class="overflow-x-auto"
    tabindex="0"
    role="region"
    aria-label="Ledger and curves"
  >
    <div :style="{ width: `${width}px` }">
      <div v-if="percentages" class="h-[210px]" data-test="chart">
        <ClientOnly>
          <LazyCompositionChart
            :points="points"
            :unit="unit"
            :label-width="LABEL_WIDTH"
            :column-width="COLUMN_WIDTH"
          />
        </ClientOnly>
      </div>
      <table
        class="table-fixed border-collapse"
        :style="{ width: `${width}px` }"
        data-test="ledger"
      >
        <caption class="sr-only">
          Check-ins, oldest first: folds in mm, and what
          {{
            equation?.name
          }}
          makes of them
        </caption>
        <thead>
          <tr class="border-b-2 border-ink text-faded">
            <th
              scope="col"
              class="sticky left-0 bg-chalk py-1 text-left font-normal"
              :style="{ width: `${LABEL_WIDTH}px` }"
            >
              mm
            </th>
            <th
              v-for="column in columns"
              :key="column.id"
              scope="col"
              class="py-1 text-center font-normal"
            >
              <NuxtLink
                :to="`/clients/${view.client.id}/check-ins/${column.id}`"
                class="underline decoration-line underline-offset-4"
              >
                {{ formatDate(column.measuredOn) }}
              </NuxtLink>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="line in lines"
            :key="line.label"
            :class="line.strong ? 'border-y-2 border-ink' : 'border-b border-line'"
          >
            <th scope="row" class="sticky left-0 bg-chalk py-0.5 pr-2 text-left">
              {{ line.label }}
            </th>
            <td
              v-for="(cell, i) in line.cells"
              :key="columns[i]!.id"
              class="figure py-0.5 pr-4 text-right text-[20px]"
              :class="i >= columns.length - 2 ? 'text-ink' : 'text-faded'"
            >
              {{ cell ?? '–' }}
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </div>
</template>

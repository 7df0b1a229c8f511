<script setup lang="ts">
import {
  ageMonthsOf,
  classify,
  estimate,
  everyResultOf,
  fatMassIndex,
  fatPercentile,
  indicesOf,
  isSkinfold,
  leadEquation,
  leanMassIndex,
  normalisedLeanMassIndex,
  resultOf,
  sensitivity,
  sheetOf,
  type Person,
  type SkinfoldId,
  isGirth,
} from '#core'
import type { CheckInWithReadings } from '#shared/contract/check-ins'

const props = defineProps<{ person: Person; checkIn: CheckInWithReadings }>()

const sheet = computed(() => sheetOf(props.person, props.checkIn))
const result = computed(() => resultOf(props.person, props.checkIn))
const every = computed(() => everyResultOf(props.person, props.checkIn))

/** What a millimetre more at each fold does to fat %, the largest first. */
const effects = computed(() => {
  const { protocol, measured, subject } = sheet.value
  const lead = leadEquation(protocol, props.person.sex)
  if (!result.value.ok || lead === undefined) return []
  const folds = Object.fromEntries(
    measured.flatMap(({ site, value }) => (isSkinfold(site) ? [[site, value]] : [])),
  ) as Record<SkinfoldId, number>
  const girths = Object.fromEntries(
    measured.flatMap(({ site, value }) => (isGirth(site) ? [[site, value]] : [])),
  )
  const effect = sensitivity(
    (values) =>
      estimate(lead, subject, { ...girths, ...values }, { conversion: props.checkIn.conversion })
        .fatPercent,
    folds,
  )
  return (Object.entries(effect) as [SkinfoldId, number][])
    .filter(([, points]) => Math.abs(points) > 1e-9)
    .sort((a, b) => Math.abs(b[1]) - Math.abs(a[1]))
})
const sameEverywhere = computed(() => {
  const [first, ...rest] = effects.value
  return first && rest.every(([, points]) => Math.abs(points - first[1]) < 1e-9)
    ? first[1]
    : undefined
})

interface Index {
  name: string
  value: string
}

/** BMI and the waist's: of any sheet that has their inputs. */
const figures = computed(() => {
  const { subject, measured } = sheet.value
  const girths = measured.filter(({ site }) => isGirth(site))
  return indicesOf({
    ...subject,
    ageMonths: ageMonthsOf(props.person, props.checkIn.measuredOn),
    girths: Object.fromEntries(girths.map(({ site, value }) => [site, value])),
  })
})
const massIndices = computed<Index[]>(() => {
  const { heightCm } = sheet.value.subject
  const list: Index[] = []
  const add = (name: string, value: number, digits: number, unit = '') =>
    list.push({ name, value: `${fixed(value, digits)}${unit}` })
  if (result.value.ok && result.value.value.fatMassKg !== undefined && heightCm !== undefined) {
    const { fatMassKg, leanMassKg } = result.value.value
    add(t('result.fatMassIndex'), fatMassIndex(fatMassKg, heightCm), 1, ' kg/m²')
    add(t('result.leanMassIndex'), leanMassIndex(leanMassKg!, heightCm), 1, ' kg/m²')
    add(t('result.leanMassIndexAt1'), normalisedLeanMassIndex(leanMassKg!, heightCm), 1, ' kg/m²')
  }
  return list
})

const athletes = computed(() => athletesText(sheet.value.measured, props.person.sex))

const tableId = useRangeTable()
const standing = computed(() => {
  if (!result.value.ok) return undefined
  const { fatPercent } = result.value.value
  return {
    band: classify(tableId.value, fatPercent, sheet.value.subject),
    percentile: fatPercentile(fatPercent, sheet.value.subject),
  }
})
</script>

<template>
  <div class="space-y-6 pt-6">
    <section v-if="figures.length">
      <h3 class="border-b-2 border-ink pb-1 text-xl">{{ t('result.indices') }}</h3>
      <IndexTable :figures class="pt-1" />
    </section>

    <section v-if="every.length > (result.ok ? 1 : 0)">
      <h3 class="border-b-2 border-ink pb-1 text-xl">
        {{ t('result.everyEquationTheseReadingsAllow') }}
      </h3>
      <EveryEquation :results="every" />
    </section>

    <section v-if="effects.length">
      <h3 class="border-b-2 border-ink pb-1 text-xl">{{ t('result.whatOneMillimetreDoes') }}</h3>
      <p class="pt-2">
        <template v-if="sameEverywhere !== undefined">
          {{
            t('result.oneMmAnywhere', {
              count: effects.length,
              sameEverywhere: signed(sameEverywhere, 2),
            })
          }}
        </template>
        <template v-else>
          {{
            t('result.oneMmAtSites', {
              sites: effects
                .map(([site, points]) => `${nameOf(site)} ${signed(points, 2)}`)
                .join(', '),
            })
          }}
        </template>
      </p>
    </section>

    <section v-if="athletes" data-test="athletes">
      <h3 class="border-b-2 border-ink pb-1 text-xl">{{ t('result.sumAmongAthletes') }}</h3>
      <p class="max-w-2xl pt-2">{{ athletes }}</p>
    </section>

    <section v-if="result.ok">
      <h3 class="border-b-2 border-ink pb-1 text-xl">{{ t('result.fatAmongOthers') }}</h3>
      <FigureList :lines="massIndices" class="pt-2" />
      <div class="flex flex-wrap items-center gap-3 pt-3">
        <label for="range-table" class="font-bold">{{ t('result.rangeTable') }}</label>
        <select id="range-table" v-model="tableId" class="field w-auto!">
          <option v-for="table in FAT_TABLES" :key="table.id" :value="table.id">
            {{ tell(table.name) }}
          </option>
        </select>
      </div>
      <p v-if="standing" class="max-w-2xl pt-2" data-test="range">
        <template v-if="standing.band">
          {{ tell(standing.band.band.name) }} ({{ tell(standing.band.table.source) }}).
          {{ tell(standing.band.table.note) }}
        </template>
        <template v-else>{{ t('result.thisTableSaysNothingThis') }}</template>
        <template v-if="standing.percentile !== null">
          {{ t('result.percentile', { percentile: fixed(standing.percentile, 0) }) }}
        </template>
      </p>
    </section>
  </div>
</template>

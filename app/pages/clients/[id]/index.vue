<script setup lang="ts">
import {
  addDays,
  ageOn,
  fixed,
  formatAsTyped,
  formatDate,
  isoDateOf,
  massIn,
  signed,
  type MassUnit,
  type TypedUnit,
} from '#core'
import { clientViewSchema, type ClientView } from '#shared/check-ins'

const route = useRoute()
const api = useApi()
const id = String(route.params.id)
const { data, error } = await useAsyncData(`client-${id}`, () =>
  api.get(`/api/clients/${id}`, clientViewSchema),
)
const { start, busy, trouble } = useStartCheckIn()
const unit = useMassUnit()
const units = [
  { value: 'kg', name: 'kg' },
  { value: 'lb', name: 'lb' },
] as { value: MassUnit; name: string }[]

useHead({ title: () => `${data.value?.client.name ?? 'Client'} · Oak Pinch` })

const view = computed(() => data.value as ClientView)
const { columns, newest, open, series, change } = useLedger(view)

const facts = computed(() => {
  const { sex, birthDate, heightCm, heightUnit, cadenceDays } = view.value.client
  const height =
    heightCm === null ? [] : [formatAsTyped(heightCm, (heightUnit ?? 'cm') as TypedUnit)]
  const age = `${ageOn(birthDate, isoDateOf(new Date()))} years`
  return [sex, age, ...height, `every ${cadenceDays} days`].join(' · ')
})

const standing = computed(() => {
  const now = series.value.at(-1)?.estimate
  if (!now) return newest.value ? 'No estimate from the last check-in.' : 'No check-in yet.'
  if (now.fatMassKg === undefined) return `About ${fixed(now.fatPercent, 0)} % fat.`
  const show = (kg: number) => `${fixed(massIn(kg, unit.value), 1)} ${unit.value}`
  return `Fat ${show(now.fatMassKg)}, lean ${show(now.leanMassKg!)}.`
})

const since = computed(() => {
  if (!change.value) return ''
  const { comparison, since: then } = change.value
  const { fatMassKg, leanMassKg, sumMm } = comparison
  const show = (kg: number) => `${signed(massIn(kg, unit.value), 1)} ${unit.value}`
  const parts = [
    ...(fatMassKg === undefined ? [] : [`fat ${show(fatMassKg)}`, `lean ${show(leanMassKg!)}`]),
    ...(sumMm === undefined ? [] : [`sum of folds ${signed(sumMm, 1)} mm`]),
  ]
  return `Since ${formatDate(then.measuredOn)}: ${parts.join(', ')}.`
})
</script>

<template>
  <main class="mx-auto max-w-6xl px-4 py-6 sm:px-7">
    <template v-if="error">
      <h1 class="pb-3 text-3xl">This client cannot be shown</h1>
      <p role="alert">{{ error.message }}</p>
    </template>
    <template v-else>
      <div class="flex flex-wrap items-end justify-between gap-4 pb-4">
        <div>
          <p class="text-faded">{{ facts }}</p>
          <h1 class="text-[30px]">{{ view.client.name }}</h1>
          <p class="figure pt-1 text-[36px] leading-tight sm:text-[44px]" data-test="standing">
            {{ standing }}
          </p>
          <p class="text-lg">{{ since }}</p>
        </div>
        <div class="flex flex-wrap items-center gap-3">
          <ChoiceRow v-model="unit" label="Masses in" hide-label :options="units" />
          <button
            type="button"
            class="button button-lead"
            :disabled="busy"
            @click="start(view.client.id)"
          >
            {{ open ? 'Resume the check-in' : 'Start a check-in' }}
          </button>
        </div>
      </div>
      <p v-if="trouble" role="alert" class="pb-3 font-bold text-clay">{{ trouble }}</p>
      <LedgerSheet v-if="columns.length" :view="view" :unit="unit" />
      <p v-else class="text-lg">
        The first check-in takes about ten minutes: folds twice round, then the scale.
      </p>
      <p v-if="newest" class="pt-4 text-faded">
        Next check-in from
        {{ formatDate(addDays(newest.measuredOn, view.client.cadenceDays), true) }}.
      </p>
    </template>
  </main>
</template>

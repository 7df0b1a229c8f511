<script setup lang="ts">
import {
  changeSince,
  CONVERSIONS,
  equationById,
  fixed,
  handErrors,
  USUAL_HAND,
  formatDate,
  formatMass,
  leadEquation,
  SCHOOL_NAMES,
  massIn,
  nameOf,
  resultOf,
  sheetOf,
  signed,
  unrounded,
  workingOf,
  type Conversion,
  type MassUnit,
  type Person,
  type Quantity,
} from '#core'
import type { CheckInWithReadings } from '#shared/check-ins'

const props = defineProps<{
  person: Person
  checkIn: CheckInWithReadings
  /** Earlier check-ins, newest first. */
  earlier: CheckInWithReadings[]
}>()
const emit = defineEmits<{ conversion: [to: Conversion] }>()

const unit = useMassUnit()

const sheet = computed(() => sheetOf(props.person, props.checkIn))
const result = computed(() => resultOf(props.person, props.checkIn))
const steps = computed(() => workingOf(props.person, props.checkIn))
const change = computed(() => changeSince(props.person, props.checkIn, props.earlier))
/** What this hand can tell, beside each change. */
const hand = computed(() => {
  if (!change.value) return undefined
  const errors = handErrors(props.person, props.checkIn, change.value.since, USUAL_HAND)
  return errors.ok ? errors.value : undefined
})
const equation = computed(() => {
  const id = leadEquation(sheet.value.protocol, props.person.sex)
  return id === undefined ? undefined : equationById(id)
})

const unsettled = computed(() =>
  sheet.value.measured.map(({ site }) => site).filter((site) => sheet.value.sites[site]?.flagged),
)

const conversion = computed({
  get: () => props.checkIn.conversion,
  set: (to) => emit('conversion', to),
})
const conversions = Object.values(CONVERSIONS).map(({ id, name }) => ({ value: id, name }))
const units = [
  { value: 'kg', name: 'kg' },
  { value: 'lb', name: 'lb' },
] as { value: MassUnit; name: string }[]

interface Row {
  id: string
  label: string
  value: string
  change: string
  /** The smallest change that the hand can tell, in the unit of the change. */
  reach: string
  tone?: string
}

const rows = computed<Row[]>(() => {
  if (!result.value.ok) return []
  const { sumMm, density, fatPercent, standardError, fatMassKg, leanMassKg } = result.value.value
  const since = change.value?.comparison
  const mass = (kg: number | undefined) => (kg === undefined ? '' : formatMass(kg, unit.value, 2))
  const massChange = (kg: number | undefined) =>
    kg === undefined ? '' : `${signed(massIn(kg, unit.value), 2)} ${unit.value}`
  const reach = (of: Quantity, show: (value: number) => string) => {
    const error = hand.value?.[of].smallestRealChange
    return error === undefined || !Number.isFinite(error) ? '' : show(error)
  }
  const massReach = (kg: number) => fixed(massIn(kg, unit.value), 1)
  return [
    {
      id: 'fat-percent',
      label: 'Fat %',
      value:
        standardError === null
          ? `${fixed(fatPercent, 2)} %`
          : `${fixed(fatPercent, 2)} % ± ${fixed(standardError, 1)}`,
      change: since ? `${signed(since.fatPercent, 2)} points` : '',
      reach: reach('fatPercent', (v) => fixed(v, 1)),
      tone: 'text-amber',
    },
    {
      id: 'fat-mass',
      label: 'Fat mass',
      value: mass(fatMassKg),
      change: massChange(since?.fatMassKg),
      reach: reach('fatMass', massReach),
      tone: 'text-amber',
    },
    {
      id: 'lean-mass',
      label: 'Lean mass',
      value: mass(leanMassKg),
      change: massChange(since?.leanMassKg),
      reach: reach('leanMass', massReach),
      tone: 'text-leaf',
    },
    {
      id: 'mass',
      label: 'Body mass',
      value: mass(sheet.value.subject.massKg),
      change: massChange(since?.massKg),
      reach: '',
    },
    {
      id: 'sum',
      label: `Sum of ${sheet.value.protocol.folds[props.person.sex].length} folds`,
      value: `${fixed(sumMm!, 1)} mm`,
      change: since?.sumMm === undefined ? '' : `${signed(since.sumMm, 1)} mm`,
      reach: reach('sum', (v) => fixed(v, 1)),
    },
    {
      id: 'density',
      label: 'Body density',
      value: `${fixed(density!, 5)} g/cm³`,
      change: '',
      reach: '',
    },
  ].filter((row) => row.value !== '')
})

const sentence = computed(() => {
  if (!result.value.ok) return result.value.error.message
  const { fatPercent, standardError } = result.value.value
  const about = `About ${fixed(fatPercent, 0)} % fat`
  return standardError === null ? `${about}.` : `${about}, give or take ${fixed(standardError, 1)}.`
})
</script>

<template>
  <section>
    <p class="text-faded">
      {{ formatDate(checkIn.measuredOn, true) }} · {{ equation?.name ?? sheet.protocol.name }} ·
      {{ SCHOOL_NAMES[sheet.protocol.school] }}
    </p>
    <h2 class="pt-1 pb-4 text-[36px] sm:text-[48px]" data-test="sentence">{{ sentence }}</h2>

    <template v-if="result.ok">
      <ul v-if="result.value.warnings.length || unsettled.length" class="pb-4">
        <li
          v-for="warning in result.value.warnings"
          :key="warning"
          class="mb-2 border-2 border-l-8 border-clay bg-clay-wash px-4 py-2"
        >
          {{ warning }}
        </li>
        <li
          v-for="site in unsettled"
          :key="site"
          class="mb-2 border-2 border-l-8 border-clay bg-clay-wash px-4 py-2"
        >
          {{ nameOf(site) }}: the trials do not agree; the
          {{ sheet.sites[site]!.method === 'median' ? 'median of three' : 'mean' }} is used.
        </li>
      </ul>
      <div class="flex flex-wrap gap-x-8 gap-y-3 pb-4">
        <ChoiceRow v-model="conversion" label="Density to fat % by" :options="conversions" />
        <ChoiceRow v-model="unit" label="Masses in" :options="units" />
      </div>
      <table class="w-full max-w-2xl border-collapse text-left">
        <caption class="sr-only">
          Result and change since last time
        </caption>
        <thead>
          <tr class="border-b-2 border-ink text-faded">
            <td class="py-2" />
            <th scope="col" class="text-right font-normal">now</th>
            <th scope="col" class="pl-4 text-right font-normal">
              {{ change ? `since ${formatDate(change.since.measuredOn)}` : '' }}
            </th>
            <th v-if="hand" scope="col" class="pl-4 text-right font-normal">can tell from</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row.id" class="border-b border-line">
            <th scope="row" class="py-2 pr-3">{{ row.label }}</th>
            <td
              class="figure text-right text-[26px] whitespace-nowrap"
              :class="row.tone"
              :data-test="row.id"
            >
              {{ row.value }}
            </td>
            <td
              class="figure pl-4 text-right text-[21px] whitespace-nowrap"
              :data-test="`${row.id}-change`"
            >
              {{ row.change }}
            </td>
            <td v-if="hand" class="figure pl-4 text-right text-[21px] text-faded">
              {{ row.reach }}
            </td>
          </tr>
        </tbody>
      </table>
      <p v-if="change && Math.abs(change.comparison.dueToAge) >= 0.005" class="pt-2 text-faded">
        Both compared at today's age. The birthday alone reads as
        {{ signed(change.comparison.dueToAge, 2) }} points and is left out.
        <template v-if="change.comparison.crossedRow">
          The equation changed its age row in between, from
          {{ change.comparison.crossedRow.from.from }}–{{ change.comparison.crossedRow.from.to }} to
          {{ change.comparison.crossedRow.to.from }} years and over.
        </template>
      </p>
      <details v-if="steps.ok" class="pt-5" data-test="working">
        <summary class="cursor-pointer font-bold">The working, unrounded</summary>
        <div class="overflow-x-auto" tabindex="0" role="region" aria-label="Sheet">
          <table class="mt-2 border-collapse text-left">
            <thead class="sr-only">
              <tr>
                <th scope="col">Step</th>
                <th scope="col">How</th>
                <th scope="col">Value</th>
              </tr>
            </thead>
            <tbody>
              <tr
                v-for="step in steps.value"
                :key="step.label"
                class="border-b border-line align-top"
              >
                <th scope="row" class="py-1.5 pr-4 font-bold">{{ step.label }}</th>
                <td class="py-1.5 pr-4 tabular-nums">{{ step.formula }}</td>
                <td class="py-1.5 text-right tabular-nums">
                  {{ unrounded(step.value) }} {{ step.unit }}
                </td>
              </tr>
            </tbody>
          </table>
        </div>
        <p class="pt-2 text-faded">
          Standard error {{ result.value.standardError }} points of fat %. It belongs to one
          estimate, not to a change.
        </p>
      </details>
      <ResultMore :person="person" :check-in="checkIn" />
    </template>
  </section>
</template>

<script setup lang="ts">
import {
  administrativeNavy,
  attempt,
  comparedWith,
  correctionsSaid,
  equationById,
  foldSumOf,
  leadEquation,
  resultOf,
  sheetOf,
  workingOf,
  type Conversion,
  readDifferences,
  type Values,
} from '#core'
import type { ResultProps } from './result-props'

const props = defineProps<ResultProps>()
const emit = defineEmits<{ conversion: [to: Conversion] }>()

const unit = useMassUnit()
const { hiding, shown, asked } = usePercentages(() => props.client)

const lengthUnit = useLengthUnit()
const { look, headline } = useResultLook(props, () => shown.value)
const sheet = computed(() => sheetOf(props.client, props.checkIn))
const result = computed(() => resultOf(props.client, props.checkIn))
const steps = computed(() => workingOf(props.client, props.checkIn))
/** The check-in that this one is compared with, and what it read differently. */
const previous = computed(() => comparedWith(props.client, props.checkIn, props.earlier))
const read = computed(
  () => previous.value && readDifferences(props.client, previous.value, props.checkIn),
)
/** Since when the whole record is judged, where that is another day. */
const since = computed(() => {
  const { last, first } = look.value?.horizons ?? {}
  return {
    last: last?.since,
    first: first && first.since !== last?.since ? first.since : undefined,
  }
})
/** The figure of administrative tables, beside the unrounded one and never instead of it. */
const administrative = computed(() => {
  if (!result.value.ok || !['navy-inch', 'navy-metric'].includes(result.value.value.equationId)) {
    return undefined
  }
  const values = Object.fromEntries(
    sheet.value.measured.map(({ site, value }) => [site, value]),
  ) as Values
  const figure = attempt(() => administrativeNavy(sheet.value.subject, values))
  return figure.ok ? figure.value : undefined
})
const equation = computed(() => {
  const id = leadEquation(sheet.value.protocol, props.client.sex)
  return id === undefined ? undefined : equationById(id)
})

const unsettled = computed(() =>
  sheet.value.measured.map(({ site }) => site).filter((site) => sheet.value.sites[site]?.flagged),
)

const conversion = computed({
  get: () => props.checkIn.conversion,
  set: (to) => emit('conversion', to),
})

const rows = useResultRows({
  sex: () => props.client.sex,
  shown,
  sheet,
  result,
  read,
  look,
})

/** What of the person an equation counts, and is not on record. */
const LACKING = {
  ageYears: t('result.noFatWithoutAgeYear'),
  heightCm: t('result.noFatWithoutHeight'),
} as const
const lacking = computed(() => {
  if (result.value.ok || result.value.error.problem !== 'missing') return undefined
  return LACKING[result.value.error.input as keyof typeof LACKING]
})
const sentence = computed(() => {
  if (!shown.value) {
    const sum = foldSumOf(sheet.value)
    return sum
      ? t('result.countFoldsAddUpMm', { count: sum.folds.length, mm: fixed(sum.mm, 1) })
      : t('result.measured')
  }
  if (!result.value.ok) return lacking.value ?? wordsOf(result.value.error)
  const { fatPercent, standardError } = result.value.value
  const about = fixed(fatPercent, 0)
  return standardError === null
    ? t('result.aboutFat', { fatPercent: about })
    : t('result.aboutFatError', { fatPercent: about, error: fixed(standardError, 1) })
})
/** Readings that were put right by the check of their instrument. */
const corrections = computed(() => correctionsSaid(props.checkIn.readings))
const warnings = computed(() => (result.value.ok ? result.value.value.warnings : []))
/** Sites that were found or held otherwise than by the standard, so that nobody reads them as the standard's. */
const ways = computed(() =>
  sheet.value.measured
    .flatMap(({ site, technique }) =>
      technique
        ? [`${siteNameIn(sheet.value.protocol, site)}: ${technique.replace(/\.$/, '')}`]
        : [],
    )
    .join(' · '),
)
</script>

<template>
  <section>
    <p class="text-faded">
      {{ formatDate(checkIn.measuredOn, true) }} ·
      {{ tell(equation?.name ?? sheet.protocol.name) }} ·
      {{ standardName(sheet.protocol.standard) }}
    </p>
    <p v-if="corrections" class="text-faded" data-test="corrections">{{ tell(corrections) }}</p>
    <p v-if="ways" class="text-faded" data-test="ways">
      {{ t('result.yourOwnWayWays', { ways }) }}
    </p>
    <h2 class="pt-1 pb-4 text-[36px] sm:text-[48px]" data-test="sentence">{{ sentence }}</h2>
    <p v-if="headline" class="-mt-2 pb-4 text-lg" data-test="record-says">
      <strong>{{ t('result.wholeRecord') }}</strong>
      {{ headlineText(headline, { mass: unit, length: lengthUnit }) }}
    </p>
    <p v-if="lacking && shown" class="pb-4">
      <NuxtLink :to="`/clients/${checkIn.clientId}`" class="underline">
        {{ t('result.putRecordName', { name: client.name }) }}
      </NuxtLink>
    </p>

    <PercentagesChoice v-if="hiding" v-model="asked" :name="client.name" class="pb-4" />
    <template v-if="result.ok || rows.length">
      <ul v-if="shown && (warnings.length || unsettled.length)" class="pb-4">
        <li v-for="warning in warnings" :key="tell(warning)" class="mb-2 caution">
          {{ tell(warning) }}
        </li>
        <li v-for="site in unsettled" :key="site" class="mb-2 caution">
          {{
            t(sheet.sites[site]!.method === 'median' ? 'result.medianUsed' : 'result.meanUsed', {
              site: siteNameIn(sheet.protocol, site),
              count: sheet.sites[site]!.taken,
            })
          }}
        </li>
      </ul>
      <div class="flex flex-wrap gap-x-8 gap-y-3 pb-4">
        <ConversionChoice v-if="shown" v-model="conversion" :sex="client.sex" />
        <ChoiceRow v-model="unit" :label="t('result.masses')" :options="MASS_UNITS" />
      </div>
      <table class="w-full max-w-4xl border-collapse text-left">
        <caption class="sr-only">
          {{
            t('result.resultChangeSinceLastTime')
          }}
        </caption>
        <thead>
          <tr class="border-b-2 border-ink text-faded">
            <td class="py-2" />
            <th scope="col" class="text-right align-bottom font-normal">{{ t('result.now') }}</th>
            <th
              v-if="previous"
              scope="col"
              class="pl-2 text-right align-bottom font-normal max-sm:text-sm sm:pl-4"
            >
              {{ t('result.asReadSince', { day: formatDate(previous.measuredOn) }) }}
            </th>
            <th
              v-if="since.last"
              scope="col"
              class="pl-2 text-right align-bottom font-normal max-sm:text-sm sm:pl-4"
            >
              {{ t('result.recordSince', { day: formatDate(since.last) }) }}
            </th>
            <th
              v-if="since.first"
              scope="col"
              class="pl-4 text-right align-bottom font-normal max-sm:hidden"
            >
              {{ t('result.sinceFirst', { day: formatDate(since.first, true) }) }}
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row.id" class="border-b border-line">
            <th scope="row" class="py-2 pr-1 sm:pr-3">{{ row.label }}</th>
            <td
              class="figure text-right sm:whitespace-nowrap"
              :class="[
                row.tone,
                row.small ? 'text-[18px] sm:text-[21px]' : 'text-[20px] sm:text-[26px]',
              ]"
              :data-test="row.id"
            >
              {{ row.value }}
            </td>
            <td
              v-if="previous"
              class="figure pl-2 text-right text-[17px] sm:pl-4 sm:whitespace-nowrap sm:text-[21px]"
              :data-test="`${row.id}-change`"
            >
              {{ row.change }}
            </td>
            <td
              v-if="since.last"
              class="figure pl-2 text-right text-[17px] sm:pl-4 sm:whitespace-nowrap sm:text-[21px]"
              :data-test="`${row.id}-last`"
            >
              {{ row.last }}
            </td>
            <td
              v-if="since.first"
              class="figure pl-4 text-right text-[21px] whitespace-nowrap max-sm:hidden"
            >
              {{ row.first }}
            </td>
          </tr>
        </tbody>
      </table>
      <p class="pt-2 text-faded" data-test="give-or-take">
        <template v-if="result.ok && shown && result.value.standardError !== null">
          {{ t('result.besideFatNowEquationS') }}
        </template>
        {{ ' ' }}
        <template v-if="since.last">
          {{ t('result.asReadThisCheckLess') }}
        </template>
      </p>
      <p v-if="administrative && shown" class="pt-2" data-test="administrative">
        {{
          t('result.administrativeRoundingNeckUpWaist', { fatPercent: administrative.fatPercent })
        }}
      </p>
      <p
        v-if="read?.comparison && shown && Math.abs(read.comparison.dueToAge) >= 0.005"
        class="pt-2 text-faded"
      >
        {{ t('result.bothComparedAtTodayS', { dueToAge: signed(read.comparison.dueToAge, 2) }) }}
        <template v-if="read.comparison.crossedRow">
          {{
            t('result.equationChangedItsAgeRow', {
              from: read.comparison.crossedRow.from.from,
              to: read.comparison.crossedRow.from.to,
              from2: read.comparison.crossedRow.to.from,
            })
          }}
        </template>
      </p>
      <details v-if="steps.ok && shown" class="pt-5" data-test="working">
        <summary class="cursor-pointer font-bold">{{ t('result.workingUnrounded') }}</summary>
        <WorkingTable :steps="steps.value" />
        <p class="pt-2 text-faded">
          {{
            t('result.standardErrorStandarderrorPointsFat', {
              standardError: result.ok ? result.value.standardError : '',
            })
          }}
        </p>
      </details>
      <ResultMore v-if="shown" :person="client" :check-in />
    </template>
  </section>
</template>

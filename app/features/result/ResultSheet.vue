<script setup lang="ts">
import {
  administrativeNavy,
  attempt,
  comparedWith,
  CONVERSIONS,
  equationById,
  equationSumName,
  fixed,
  foldsTaken,
  foldSumName,
  foldSumOf,
  formatDate,
  formatFold,
  formatLength,
  formatMass,
  isSkinfold,
  leadEquation,
  LANDMARK_STANDARD_NAMES,
  massIn,
  nameOf,
  resultOf,
  sheetOf,
  signed,
  signedLength,
  variantFor,
  workingOf,
  type Conversion,
  judgeChange,
  type Judgement,
  type Measured,
  type GirthId,
  type Quantity,
  type Values,
} from '#core'
import type { ResultProps } from './result-props'

const props = defineProps<ResultProps>()
const emit = defineEmits<{ conversion: [to: Conversion] }>()

const unit = useMassUnit()
const lengthUnit = useLengthUnit()
const { hiding, shown, asked } = usePercentages(() => props.client)

const sheet = computed(() => sheetOf(props.client, props.checkIn))
const result = computed(() => resultOf(props.client, props.checkIn))
const steps = computed(() => workingOf(props.client, props.checkIn))
/** The check-in that this one is compared with, and what changed since, by the same judgement as everywhere. */
const previous = computed(() => comparedWith(props.client, props.checkIn, props.earlier))
const judgement = computed(
  () => previous.value && judgeChange(props.client, previous.value, props.checkIn),
)
/** The change since the first check-in that can be compared, where that is another one. */
const first = computed(() => {
  const found = comparedWith(props.client, props.checkIn, [...props.earlier].reverse())
  return found && found.id !== previous.value?.id ? found : undefined
})
const sinceFirst = computed(
  () => first.value && judgeChange(props.client, first.value, props.checkIn),
)
/** Value of a girth at another check-in, for its change. */
const girthThen = (since: Measured | undefined, site: GirthId) =>
  since && sheetOf(props.client, since).sites[site]?.value
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
const conversions = Object.values(CONVERSIONS).map(({ id, name }) => ({ value: id, name }))

interface Row {
  id: string
  label: string
  value: string
  change: string
  /** Change since the first check-in. */
  first: string
  /** The smallest change that the hand can tell, in the unit of the change. */
  reach: string
  tone?: string
  /** Not for a client who sees sums and girths only. */
  level?: boolean
  /** One of many: set smaller than what it adds up to. */
  small?: boolean
}

const rows = computed<Row[]>(() => {
  const estimated = result.value.ok ? result.value.value : undefined
  const since = judgement.value?.comparison
  const start = sinceFirst.value?.comparison
  const mass = (kg: number | undefined) => (kg === undefined ? '' : formatMass(kg, unit.value, 2))
  const massChange = (kg: number | undefined) =>
    kg === undefined ? '' : `${signed(massIn(kg, unit.value), 2)} ${unit.value}`
  const reach = (of: Quantity | 'mass', show: (value: number) => string) => {
    const error = judgement.value?.quantities[of]?.minimalDetectableChange
    return error === undefined ? '' : show(error)
  }
  const massReach = (kg: number) => fixed(massIn(kg, unit.value), 1)
  const points = (value: number | undefined) =>
    value === undefined ? '' : `${signed(value, 2)} points`
  const millimetres = (value: number | undefined) =>
    value === undefined ? '' : `${signed(value, 1)} mm`
  const length = (cm: number | undefined) =>
    cm === undefined ? '' : `${signedLength(cm, lengthUnit.value)} ${lengthUnit.value}`
  const less = (now: number, then: number | undefined) =>
    then === undefined ? undefined : now - then
  /** One of the two parts of body mass. */
  const part = (id: string, label: string, of: 'fatMass' | 'leanMass', tone: string): Row => ({
    ...{ id, label, tone },
    value: mass(estimated?.[`${of}Kg`]),
    change: massChange(since?.[`${of}Kg`]),
    first: massChange(start?.[`${of}Kg`]),
    reach: reach(of, massReach),
    level: true,
  })
  const rowsOfEstimate: Row[] = estimated
    ? [
        {
          id: 'fat-percent',
          label: 'Fat %',
          value:
            estimated.standardError === null
              ? `${fixed(estimated.fatPercent, 2)} %`
              : `${fixed(estimated.fatPercent, 2)} % ± ${fixed(estimated.standardError, 1)}`,
          change: points(since?.fatPercent),
          first: points(start?.fatPercent),
          reach: reach('fatPercent', (v) => fixed(v, 1)),
          tone: 'text-amber',
          level: true,
        },
        part('fat-mass', 'Fat mass', 'fatMass', 'text-amber'),
        part('lean-mass', 'Lean mass', 'leanMass', 'text-leaf'),
        {
          id: 'density',
          label: 'Body density',
          value: estimated.density === undefined ? '' : `${fixed(estimated.density, 5)} g/cm³`,
          change: '',
          first: '',
          reach: '',
          level: true,
        },
      ]
    : []
  const { massKg } = sheet.value.subject
  const whole = foldSumOf(sheet.value)
  /** How many folds a change is of, where they are not the whole of what was taken. */
  const partly = (of: Judgement | undefined) =>
    of?.quantities.sum && whole && of.sumFolds.length < whole.folds.length
      ? ` (${of.sumFolds.length} shared)`
      : ''
  const sumChange = (of: Judgement | undefined) => {
    const change = millimetres(of?.quantities.sum?.change)
    return change && `${change}${partly(of)}`
  }
  const sums: Row[] = whole
    ? [
        {
          id: 'sum',
          label: foldSumName(whole.folds, true),
          value: `${fixed(whole.mm, 1)} mm`,
          change: sumChange(judgement.value),
          first: sumChange(sinceFirst.value),
          reach: reach('sum', (v) => fixed(v, 1)),
        },
      ]
    : []
  const added = equation.value ? variantFor(equation.value, props.client.sex).folds : []
  if (whole && estimated?.sumMm !== undefined && added.length < whole.folds.length) {
    sums.push({
      id: 'equation-sum',
      label: equationSumName(added.length),
      value: `${fixed(estimated.sumMm, 1)} mm`,
      change: millimetres(since?.sumMm),
      first: millimetres(start?.sumMm),
      reach: reach('equationSum', (v) => fixed(v, 1)),
      level: true,
    })
  }
  const folds = foldsTaken(sheet.value).map(({ site, value }): Row => {
    const of = (judged: Judgement | undefined) => judged?.folds.find((f) => f.site === site)
    const [now, start] = [of(judgement.value), of(sinceFirst.value)]
    return {
      id: site,
      label: nameOf(site),
      value: `${formatFold(value)} mm`,
      change: millimetres(now && now.now - now.then),
      first: millimetres(start && start.now - start.then),
      reach: now ? fixed(now.verdict.minimalDetectableChange, 1) : '',
      small: true,
    }
  })
  const girths = sheet.value.measured.flatMap(({ site, value }): Row[] => {
    if (isSkinfold(site)) return []
    return [
      {
        id: site,
        label: nameOf(site),
        value: formatLength(value, lengthUnit.value),
        change: length(less(value, girthThen(previous.value, site))),
        first: length(less(value, girthThen(first.value, site))),
        reach: '',
      },
    ]
  })
  const body: Row = {
    id: 'mass',
    label: 'Body mass',
    value: mass(massKg),
    change: massChange(judgement.value?.quantities.mass?.change),
    first: massChange(sinceFirst.value?.quantities.mass?.change),
    reach: reach('mass', massReach),
  }
  return [...rowsOfEstimate, ...sums, body, ...folds, ...girths].filter(
    (row) => row.value !== '' && (shown.value || !row.level),
  )
})

const sentence = computed(() => {
  if (!shown.value) {
    const sum = foldSumOf(sheet.value)
    return sum ? `The ${sum.folds.length} folds add up to ${fixed(sum.mm, 1)} mm.` : 'Measured.'
  }
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
      {{ LANDMARK_STANDARD_NAMES[sheet.protocol.standard] }}
    </p>
    <h2 class="pt-1 pb-4 text-[36px] sm:text-[48px]" data-test="sentence">{{ sentence }}</h2>

    <PercentagesChoice v-if="hiding" v-model="asked" :name="client.name" class="pb-4" />
    <template v-if="result.ok || rows.length">
      <ul
        v-if="result.ok && shown && (result.value.warnings.length || unsettled.length)"
        class="pb-4"
      >
        <li v-for="warning in result.value.warnings" :key="warning" class="mb-2 caution">
          {{ warning }}
        </li>
        <li v-for="site in unsettled" :key="site" class="mb-2 caution">
          {{ nameOf(site) }}: the trials do not agree; the
          {{ sheet.sites[site]!.method === 'median' ? 'median of three' : 'mean' }} is used.
        </li>
      </ul>
      <div class="flex flex-wrap gap-x-8 gap-y-3 pb-4">
        <ChoiceRow
          v-if="shown"
          v-model="conversion"
          label="Density to fat % by"
          :options="conversions"
        />
        <ChoiceRow v-model="unit" label="Masses in" :options="MASS_UNITS" />
      </div>
      <table class="w-full max-w-4xl border-collapse text-left">
        <caption class="sr-only">
          Result and change since last time
        </caption>
        <thead>
          <tr class="border-b-2 border-ink text-faded">
            <td class="py-2" />
            <th scope="col" class="text-right font-normal">now</th>
            <th v-if="previous" scope="col" class="pl-4 text-right font-normal">
              since {{ formatDate(previous.measuredOn) }}
            </th>
            <th v-if="judgement" scope="col" class="pl-4 text-right font-normal">
              detectable from
            </th>
            <th v-if="sinceFirst" scope="col" class="pl-4 text-right font-normal max-sm:hidden">
              since the first, {{ formatDate(sinceFirst.since, true) }}
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row.id" class="border-b border-line">
            <th scope="row" class="py-2 pr-3">{{ row.label }}</th>
            <td
              class="figure text-right whitespace-nowrap"
              :class="[row.tone, row.small ? 'text-[21px]' : 'text-[26px]']"
              :data-test="row.id"
            >
              {{ row.value }}
            </td>
            <td
              v-if="previous"
              class="figure pl-4 text-right text-[21px] whitespace-nowrap"
              :data-test="`${row.id}-change`"
            >
              {{ row.change }}
            </td>
            <td v-if="judgement" class="figure pl-4 text-right text-[21px] text-faded">
              {{ row.reach }}
            </td>
            <td
              v-if="sinceFirst"
              class="figure pl-4 text-right text-[21px] whitespace-nowrap max-sm:hidden"
            >
              {{ row.first }}
            </td>
          </tr>
        </tbody>
      </table>
      <p class="pt-2 text-faded" data-test="give-or-take">
        <template v-if="result.ok && shown && result.value.standardError !== null">
          ± is the equation’s standard error: 68% of people are within it.
        </template>
        <template v-if="judgement">
          Detectable from: a smaller change is within the measurement error
          {{ shown ? '95% of the time' : '19 times in 20' }}.
        </template>
      </p>
      <p v-if="administrative && shown" class="pt-2" data-test="administrative">
        By administrative rounding (neck up, waist and hip down to the half inch, whole percent):
        {{ administrative.fatPercent }} %. Common practice of armed forces; local rules come first.
      </p>
      <p
        v-if="judgement?.comparison && shown && Math.abs(judgement.comparison.dueToAge) >= 0.005"
        class="pt-2 text-faded"
      >
        Both compared at today's age. The birthday alone reads as
        {{ signed(judgement.comparison.dueToAge, 2) }} points and is left out.
        <template v-if="judgement.comparison.crossedRow">
          The equation changed its age row in between, from
          {{ judgement.comparison.crossedRow.from.from }}–{{
            judgement.comparison.crossedRow.from.to
          }}
          to {{ judgement.comparison.crossedRow.to.from }} years and over.
        </template>
      </p>
      <details v-if="steps.ok && shown" class="pt-5" data-test="working">
        <summary class="cursor-pointer font-bold">The working, unrounded</summary>
        <WorkingTable :steps="steps.value" />
        <p class="pt-2 text-faded">
          Standard error {{ result.ok ? result.value.standardError : '' }} points of fat %. It
          belongs to one estimate, not to a change.
        </p>
      </details>
      <ResultMore v-if="shown" :person="client" :check-in />
    </template>
  </section>
</template>

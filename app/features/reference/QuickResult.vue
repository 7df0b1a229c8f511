<script setup lang="ts">
import { useClipboard } from '@vueuse/core'
import {
  fixed,
  formatMass,
  isSkinfold,
  nameOf,
  POPULATION_WARNINGS,
  type SpecialPopulation,
} from '#core'

/** What comes of it: figures, equations by the people they were made on, indices, and the working. */
const estimate = useQuickEstimate()
const { fields, measured, subject, sum, fitting, others, refused, lead, workedId } = estimate
const { worked, steps, indices, conversion, sex, texts, lengthUnit, foldUnit, massUnit } = estimate

const figures = computed(() => {
  const found = lead.value
  const list: { id: string; name: string; value: string }[] = []
  const add = (id: string, name: string, value: string) => list.push({ id, name, value })
  if (found) {
    const { density, standardError, fatMassKg, leanMassKg } = found.result.estimate
    const doubt = standardError === null ? '' : ` ± ${fixed(standardError, 1)}`
    add(
      'quick-siri',
      found.brozek === undefined ? 'Fat %' : 'Fat % (Siri)',
      `${fixed(found.siri, 2)} %${doubt}`,
    )
    if (found.brozek !== undefined)
      add('quick-brozek', 'Fat % (Brožek)', `${fixed(found.brozek, 2)} %`)
    if (density !== undefined) add('quick-density', 'Body density', `${fixed(density, 5)} g/cm³`)
    if (fatMassKg !== undefined)
      add('quick-fat', 'Fat mass', formatMass(fatMassKg, massUnit.value, 2))
    if (leanMassKg !== undefined)
      add('quick-lean', 'Lean mass', formatMass(leanMassKg, massUnit.value, 2))
  }
  if (sum.value) add('quick-sum', `Sum of ${sum.value.folds} folds`, `${fixed(sum.value.mm, 1)} mm`)
  return list
})

/** Equations made on other people, by whom. */
const groups = computed(() => {
  const by = new Map<SpecialPopulation | 'adults', typeof others.value>()
  for (const row of others.value) by.set(row.other!, [...(by.get(row.other!) ?? []), row])
  return [...by].map(([who, rows]) => ({ who, rows, warning: POPULATION_WARNINGS[who] }))
})
const athletes = computed(() => athletesText(measured.value, sex.value))
const lacking = computed(() =>
  refused.value.map(({ equation, error }) => ({ name: equation.name, words: error.message })),
)
const nothing = computed(() => {
  if (measured.value.length === 0 && sum.value === undefined) {
    return 'Type what was read: every result appears as soon as its numbers are in.'
  }
  return refused.value.some(({ error }) => error.input === 'ageYears')
    ? 'These equations need an age.'
    : 'No equation has all its numbers yet.'
})

/** Who it is and what was typed, in a line; on paper it stands in the place of the fields. */
const typedLine = computed(() => {
  const { ageYears } = subject.value
  const who = `${sex.value === 'male' ? 'Man' : 'Woman'}${ageYears === undefined ? '' : `, ${ageYears} years`}`
  const typed = [
    { name: 'height', id: 'height', unit: '' },
    { name: 'weight', id: 'mass', unit: massUnit.value },
    { name: 'sum', id: 'sum', unit: 'mm' },
    ...measured.value.map(({ site }) => ({
      name: nameOf(site).toLowerCase(),
      id: site,
      unit: isSkinfold(site) ? foldUnit.value : lengthUnit.value,
    })),
  ].flatMap(({ name, id, unit }) => {
    const text = texts[id]?.trim()
    if (!text || fields.value[id]?.value === undefined) return []
    // A text that names its unit needs no other.
    return [`${name} ${text}${unit && !/[a-z"']/i.test(text) ? ` ${unit}` : ''}`]
  })
  return `${who}: ${typed.join(', ')}`
})

/** Everything in plain lines, for a message or a file of one's own. */
const words = computed(() => {
  const equations = [...fitting.value, ...others.value].map(
    ({ result, siri, brozek }) =>
      `${result.equation.name}: ${fixed(siri, 1)} %${brozek === undefined ? '' : ` (Siri), ${fixed(brozek, 1)} % (Brožek)`}`,
  )
  const ofBody = indices.value.map((figure) => {
    const { name, value } = indexWords(figure, lengthUnit.value)
    const [first] = figure.classes
    return `${name}: ${value}${first ? `, ${first.band.name} (${first.table.name})` : ''}`
  })
  return [
    typedLine.value,
    ...figures.value.map(({ name, value }) => `${name}: ${value}`),
    ...equations,
    ...ofBody,
  ].join('\n')
})
const { copy, copied } = useClipboard({ source: words, legacy: true })
const print = () => window.print()
const shown = computed(() => lead.value !== undefined || sum.value || indices.value.length > 0)
</script>

<template>
  <section aria-live="polite" data-test="quick-result">
    <h2 class="border-b-2 border-ink pb-1 text-xl">
      {{ lead ? lead.result.equation.name : 'Result' }}
    </h2>
    <p class="hidden pt-1 print:block">{{ typedLine }}</p>
    <p v-if="lead?.other" class="mt-2 caution">{{ POPULATION_WARNINGS[lead.other] }}</p>
    <table v-if="figures.length" class="w-full border-collapse text-left">
      <caption class="sr-only">
        Result
      </caption>
      <tbody>
        <tr v-for="{ id, name, value } in figures" :key="id" class="border-b border-line">
          <th scope="row" class="py-0.5 font-normal">{{ name }}</th>
          <td class="figure text-right text-[24px] whitespace-nowrap" :data-test="id">
            {{ value }}
          </td>
        </tr>
      </tbody>
    </table>
    <p v-if="lead?.result.estimate.standardError" class="pt-1 text-faded">
      ± is the standard error: 68% of people are within it.
    </p>
    <p v-if="!lead" class="pt-2 text-lg text-faded">{{ nothing }}</p>

    <p v-if="athletes" class="pt-3" data-test="quick-athletes">{{ athletes }}</p>

    <IndexTable v-if="indices.length" :figures="indices" class="pt-4" />

    <template v-if="fitting.length > 1">
      <h3 class="pt-5 text-lg font-bold">All equations for these numbers</h3>
      <QuickRows :rows="fitting" label="All equations for these numbers" />
    </template>
    <FoldOut
      v-for="{ who, rows, warning } in groups"
      :key="who"
      :title="`${warning} (${rows.length})`"
      class="pt-2"
    >
      <QuickRows :rows :label="warning" />
    </FoldOut>
    <FoldOut v-if="lacking.length" :title="`Not computed (${lacking.length})`" class="pt-2">
      <ul class="space-y-1">
        <li v-for="{ name, words: why } in lacking" :key="name">
          <strong>{{ name }}:</strong> {{ why }}
        </li>
      </ul>
    </FoldOut>
    <FoldOut v-if="worked && steps" title="The working, unrounded" class="pt-2">
      <FieldRow id="worked" label="Equation">
        <select
          id="worked"
          class="field"
          :value="worked.result.equation.id"
          @change="workedId = ($event.target as HTMLSelectElement).value"
        >
          <option
            v-for="{ result } in [...fitting, ...others]"
            :key="result.equation.id"
            :value="result.equation.id"
          >
            {{ result.equation.name }}
          </option>
        </select>
      </FieldRow>
      <WorkingTable :steps />
      <p class="pt-1 text-faded">Fat % by {{ conversion === 'siri' ? 'Siri' : 'Brožek' }}.</p>
    </FoldOut>

    <div v-if="shown" class="flex flex-wrap gap-3 pt-4 print:hidden">
      <button type="button" class="button" @click="copy()">{{ copied ? 'Copied' : 'Copy' }}</button>
      <button type="button" class="button" @click="print">Print</button>
      <QuickKeep v-if="measured.length" />
    </div>
  </section>
</template>

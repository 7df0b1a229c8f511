<script setup lang="ts">
import { useClipboard } from '@vueuse/core'
import { CONVERSIONS, isSkinfold, POPULATION_WARNINGS, type SpecialPopulation } from '#core'

/** What comes of it: figures, equations by the people they were made on, indices, and the working. */
const estimate = useQuickEstimate()
const { fields, measured, subject, sum, fitting, others, refused, lead, workedId } = estimate
const { worked, steps, indices, conversion, sex, texts, lengthUnit, foldUnit, massUnit } = estimate

const figures = computed(() => {
  const found = lead.value
  const list: { id: string; name: string; value: string }[] = []
  const add = (id: string, name: string, value: string) => list.push({ id, name, value })
  if (found) {
    const { density, fatPercent, standardError, fatMassKg, leanMassKg } = found.result.estimate
    const doubt = standardError === null ? '' : ` ± ${fixed(standardError, 1)}`
    if (found.by.length === 0)
      add('quick-fat-percent', t('quick.fat'), `${fixed(fatPercent, 2)}%${doubt}`)
    for (const { conversion: by, fat } of found.by) {
      add(
        `quick-${by}`,
        t('quick.fatBy', { by: CONVERSIONS[by].name }),
        `${fixed(fat, 2)}%${by === conversion.value ? doubt : ''}`,
      )
    }
    if (density !== undefined)
      add(
        'quick-density',
        t('quick.bodyDensity'),
        t('quick.densityGCm', { density: fixed(density, 5) }),
      )
    if (fatMassKg !== undefined)
      add('quick-fat', t('quick.fatMass'), formatMass(fatMassKg, massUnit.value, 2))
    if (leanMassKg !== undefined)
      add('quick-lean', t('quick.leanMass'), formatMass(leanMassKg, massUnit.value, 2))
  }
  if (sum.value)
    add(
      'quick-sum',
      t('quick.sumFoldsFolds', { folds: sum.value.folds }),
      `${fixed(sum.value.mm, 1)} mm`,
    )
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
  refused.value.map(({ equation, error }) => ({
    name: tell(equation.name),
    words: wordsOf(error),
  })),
)
const nothing = computed(() => {
  if (measured.value.length === 0 && sum.value === undefined) {
    return t('quick.typeWhatWasReadEvery')
  }
  return refused.value.some(({ error }) => error.input === 'ageYears')
    ? t('quick.theseEquationsNeedAge')
    : t('quick.noEquationAllItsNumbers')
})

/** Who it is and what was typed, in a line; on paper it stands in the place of the fields. */
const typedLine = computed(() => {
  const { ageYears } = subject.value
  const who = [
    t(sex.value === 'male' ? 'quick.man' : 'quick.woman'),
    ...(ageYears === undefined ? [] : [t('quick.years', { count: ageYears })]),
  ].join(', ')
  const typed = [
    { name: t('quick.typedHeight'), id: 'height', unit: '' },
    { name: t('quick.typedWeight'), id: 'mass', unit: massUnit.value },
    { name: t('quick.typedSum'), id: 'sum', unit: 'mm' },
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
  const equations = [...fitting.value, ...others.value].map(({ result, by }) =>
    by.length === 0
      ? t('quick.equationLine', {
          name: result.equation.name,
          fat: fixed(result.estimate.fatPercent, 1),
        })
      : t('quick.equationLineBy', {
          name: result.equation.name,
          fats: by
            .map(({ conversion: one, fat }) =>
              t('quick.fatInLine', { fat: fixed(fat, 1), by: CONVERSIONS[one].name }),
            )
            .join(', '),
        }),
  )
  const ofBody = indices.value.map((figure) => {
    const { name, value } = indexWords(figure, lengthUnit.value)
    const [first] = figure.classes
    return `${name}: ${value}${first ? `, ${tell(first.band.name)} (${tell(first.table.name)})` : ''}`
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
      {{ lead ? tell(lead.result.equation.name) : t('quick.result') }}
    </h2>
    <p class="hidden pt-1 print:block">{{ typedLine }}</p>
    <p v-if="lead?.other" class="mt-2 caution">{{ tell(POPULATION_WARNINGS[lead.other]) }}</p>
    <p
      v-for="warning in lead?.result.estimate.warnings"
      :key="tell(warning)"
      class="mt-2 caution"
      data-test="quick-warning"
    >
      {{ tell(warning) }}
    </p>
    <table v-if="figures.length" class="w-full border-collapse text-left">
      <caption class="sr-only">
        {{
          t('quick.result')
        }}
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
      {{ t('quick.standardError68PeopleWithin') }}
    </p>
    <p v-if="!lead" class="pt-2 text-lg text-faded">{{ nothing }}</p>

    <p v-if="athletes" class="pt-3" data-test="quick-athletes">{{ athletes }}</p>

    <IndexTable v-if="indices.length" :figures="indices" class="pt-4" />

    <template v-if="fitting.length > 1">
      <h3 class="pt-5 text-lg font-bold">{{ t('quick.allEquationsTheseNumbers') }}</h3>
      <QuickRows :rows="fitting" :label="t('quick.allEquationsTheseNumbers')" />
    </template>
    <FoldOut
      v-for="{ who, rows, warning } in groups"
      :key="who"
      :title="t('quick.titleCount', { title: warning, count: rows.length })"
      class="pt-2"
    >
      <QuickRows :rows :label="tell(warning)" />
    </FoldOut>
    <FoldOut
      v-if="lacking.length"
      :title="t('quick.notComputedCount', { count: lacking.length })"
      class="pt-2"
    >
      <ul class="space-y-1">
        <li v-for="{ name, words: why } in lacking" :key="tell(name)">
          <strong>{{ tell(name) }}:</strong> {{ why }}
        </li>
      </ul>
    </FoldOut>
    <FoldOut v-if="worked && steps" :title="t('quick.workingUnrounded')" class="pt-2">
      <FieldRow id="worked" :label="t('reference.equation')">
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
            {{ tell(result.equation.name) }}
          </option>
        </select>
      </FieldRow>
      <WorkingTable :steps />
      <p class="pt-1 text-faded">
        {{ t('reference.fatConversion', { conversion: CONVERSIONS[conversion].name }) }}
      </p>
    </FoldOut>

    <div v-if="shown" class="flex flex-wrap gap-3 pt-4 print:hidden">
      <button type="button" class="button" @click="copy()">
        {{ copied ? t('quick.copied') : t('quick.copy') }}
      </button>
      <button type="button" class="button" @click="print">{{ t('quick.print') }}</button>
      <QuickKeep v-if="measured.length" />
    </div>
  </section>
</template>

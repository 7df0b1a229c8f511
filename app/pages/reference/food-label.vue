<script setup lang="ts">
import { attempt, fixed, readLabel, typedNumber } from '#core'

const FIELDS = [
  { id: 'kcal', label: 'Energy a serving, kcal' },
  { id: 'fatG', label: 'Fat, g' },
  { id: 'carbohydrateG', label: 'Carbohydrate, g' },
  { id: 'proteinG', label: 'Protein, g' },
  { id: 'alcoholG', label: 'Alcohol, g' },
  { id: 'servingG', label: 'Serving size, g' },
  { id: 'servings', label: 'Servings a package' },
] as const
type Field = (typeof FIELDS)[number]['id']
const texts = reactive<Record<Field, string>>({
  ...{ kcal: '', fatG: '', carbohydrateG: '', proteinG: '', alcoholG: '' },
  ...{ servingG: '', servings: '' },
})

const number = (id: Field) => {
  const text = texts[id].trim()
  return text ? (typedNumber(text) ?? NaN) : undefined
}
const wanted = ['fatG', 'carbohydrateG', 'proteinG'] as const
const reading = computed(() => {
  if (wanted.some((id) => !texts[id].trim())) return undefined
  return attempt(() =>
    readLabel({
      ...{ fatG: number('fatG')!, carbohydrateG: number('carbohydrateG')! },
      ...{ proteinG: number('proteinG')!, alcoholG: number('alcoholG') },
      ...{ kcal: number('kcal'), servingG: number('servingG'), servings: number('servings') },
    }),
  )
})
const problemOf = (id: Field) =>
  reading.value && !reading.value.ok && reading.value.error.input === id
    ? reading.value.error.message
    : undefined
const fields = computed(() => FIELDS.map((field) => ({ ...field, problem: problemOf(field.id) })))
const result = computed(() => (reading.value?.ok ? reading.value.value : undefined))
const columns = computed(() => [
  ...['g', 'kcal', 'of its energy', 'of the day’s amount'],
  ...(result.value?.kcalPackage ? ['g a package'] : []),
])
/** A meal of a plan that the label is read against, where the address has one: kcal and g. */
const { query } = useRoute()
const meal = (['kcal', 'fat', 'carbohydrate', 'protein'] as const).flatMap((part) => {
  const value = Number(query[part])
  return query[part] !== undefined && value > 0 ? [{ part, value }] : []
})
/** What a serving is of that meal, in words. */
const ofMeal = computed(() => {
  if (!result.value || meal.length === 0) return ''
  const { lines, kcalServing } = result.value
  const shares = meal.map(({ part, value }) => {
    const grams = lines.find((line) => line.part === part)?.gramsServing ?? 0
    const share = (100 * (part === 'kcal' ? kcalServing : grams)) / value
    return `${fixed(share, 0)} % of its ${part === 'kcal' ? 'energy' : part}`
  })
  return `Of a meal of the plan a serving is ${shares.join(', ')}.`
})
const percent = (value: number | undefined) => (value === undefined ? '–' : `${fixed(value, 0)} %`)
</script>

<template>
  <ReferencePage title="Food label" class="max-w-5xl">
    <p class="max-w-3xl pb-4 text-lg">
      What share of a food’s energy is fat, carbohydrate and protein. The per cent of the daily
      value on the label is another thing: the share of what is meant for a day.
    </p>
    <div class="grid gap-x-12 gap-y-6 lg:grid-cols-[1fr_1.4fr]">
      <NumberFields :model-value="texts" :fields class="self-start sm:grid-cols-2!" />
      <section aria-live="polite" class="min-w-0">
        <p v-if="!reading" class="text-lg text-faded">
          Type fat, carbohydrate and protein as they stand on the label.
        </p>
        <ScrollBox v-else-if="result" label="What is in it">
          <table class="w-full border-collapse text-left" data-test="label">
            <TableHead :columns />
            <tbody>
              <tr v-for="line in result.lines" :key="line.part" class="border-b border-line">
                <th scope="row" class="py-1 pr-3">{{ line.part }}</th>
                <td class="figure text-right text-[20px]">{{ fixed(line.gramsServing, 1) }}</td>
                <td class="figure text-right text-[20px]">{{ fixed(line.kcalServing, 0) }}</td>
                <td class="figure text-right text-[26px]">{{ percent(line.ofEnergy) }}</td>
                <td class="figure text-right text-[20px]">{{ percent(line.ofDailyValue) }}</td>
                <td v-if="result.kcalPackage" class="figure text-right text-[20px]">
                  {{ fixed(line.gramsPackage!, 0) }}
                </td>
              </tr>
            </tbody>
          </table>
          <p class="pt-3 text-lg">
            {{ fixed(result.kcalServing, 0) }} kcal a serving<template v-if="result.kcalPackage"
              >, {{ fixed(result.kcalPackage, 0) }} a package</template
            >.
          </p>
          <p v-if="ofMeal" class="pt-1 text-lg" data-test="of-meal">{{ ofMeal }}</p>
          <p v-for="note in result.notes" :key="note" class="pt-1">{{ note }}</p>
          <p class="pt-2 text-faded">
            Day’s amounts of the label: fat 78 g, carbohydrate 275 g, protein 50 g, for 2000 kcal
            (US Food and Drug Administration, 21 CFR 101.9, from memory).
          </p>
        </ScrollBox>
      </section>
    </div>
  </ReferencePage>
</template>

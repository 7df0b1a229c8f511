<script setup lang="ts">
import { attempt, readLabel, typedNumber } from '#core'

const FIELDS = [
  { id: 'kcal', label: t('food.energyServingKcal') },
  { id: 'fatG', label: t('food.fatG') },
  { id: 'carbohydrateG', label: t('food.carbohydrateG') },
  { id: 'proteinG', label: t('food.proteinG') },
  { id: 'alcoholG', label: t('food.alcoholG') },
  { id: 'servingG', label: t('food.servingSizeG') },
  { id: 'servings', label: t('food.servingsPackage') },
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
    ? wordsOf(reading.value.error)
    : undefined
const fields = computed(() => FIELDS.map((field) => ({ ...field, problem: problemOf(field.id) })))
const result = computed(() => (reading.value?.ok ? reading.value.value : undefined))
const columns = computed(() => [
  ...['g', 'kcal', t('food.itsEnergy'), t('food.daySAmount')],
  ...(result.value?.kcalPackage ? [t('food.gPackage')] : []),
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
    return t('food.shareOfPart', {
      share: fixed(share, 0),
      part: t(`food.parts.${part}`),
    })
  })
  return t('food.mealPlanServingJoin', { join: shares.join(', ') })
})
const percent = (value: number | undefined) => (value === undefined ? '–' : `${fixed(value, 0)}%`)
</script>

<template>
  <ReferencePage :title="t('reference.foodLabel')" class="max-w-5xl">
    <p class="max-w-3xl pb-4 text-lg">
      {{ t('food.whatShareFoodSEnergy') }}
    </p>
    <div class="grid gap-x-12 gap-y-6 lg:grid-cols-[1fr_1.4fr]">
      <NumberFields :model-value="texts" :fields class="self-start sm:grid-cols-2!" />
      <section aria-live="polite" class="min-w-0">
        <p v-if="!reading" class="text-lg text-faded">
          {{ t('food.typeFatCarbohydrateProteinAs') }}
        </p>
        <ScrollBox v-else-if="result" :label="t('food.what')">
          <table class="w-full border-collapse text-left" data-test="label">
            <TableHead :columns />
            <tbody>
              <tr v-for="line in result.lines" :key="line.part" class="border-b border-line">
                <th scope="row" class="py-1 pr-3">{{ t(`food.parts.${line.part}`) }}</th>
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
            {{
              result.kcalPackage
                ? t('food.kcalServingPackage', {
                    serving: whole(result.kcalServing),
                    package: whole(result.kcalPackage),
                  })
                : t('food.kcalServing', { serving: whole(result.kcalServing) })
            }}
          </p>
          <p v-if="ofMeal" class="pt-1 text-lg" data-test="of-meal">{{ ofMeal }}</p>
          <p v-for="note in result.notes" :key="tell(note)" class="pt-1">{{ tell(note) }}</p>
          <p class="pt-2 text-faded">
            {{ t('food.daySAmountsLabelFat') }}
          </p>
        </ScrollBox>
      </section>
    </div>
  </ReferencePage>
</template>

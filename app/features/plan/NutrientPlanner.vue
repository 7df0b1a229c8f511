<script setup lang="ts">
import {
  attempt,
  dayOf,
  DIET_NOTES,
  DIETS,
  LEAST_FAT_SHARE,
  mealOf,
  NUTRIENTS,
  plainText,
  TRAINING_TARGETS,
  typedNumber,
  wholeParts,
  type AmountBasis,
  type DayWish,
  type Diet,
  type Meal,
  type Nutrient,
  type NutrientPlan,
} from '#core'

/** Protein, carbohydrate and fat of a day that add up to its energy; with a plan or without one. */
const props = defineProps<{ kcal: number; massKg?: number; leanKg?: number }>()
const training = defineModel<string>('training', { required: true })
/** What is asked for, as it is kept with a plan; undefined while it makes no sense. */
const wish = defineModel<DayWish>('wish')
const kept = wish.value

const target = computed(
  () => TRAINING_TARGETS.find(({ id }) => id === training.value) ?? TRAINING_TARGETS[0]!,
)
/** Common practice, no source. */
const USUAL_MEALS = 4
const middle = ([low, high]: [number, number]) => (low + high) / 2
const written = (nutrient: Nutrient) => kept?.[nutrient]?.value.toString() ?? ''
const texts = reactive<Record<Nutrient | 'meals', string>>({
  ...{ protein: written('protein'), carbohydrate: written('carbohydrate') },
  ...{ fat: written('fat'), meals: String(kept?.meals ?? USUAL_MEALS) },
})
const basis = (nutrient: Nutrient, usual: AmountBasis) =>
  kept?.[nutrient]?.by ?? (props.massKg === undefined ? 'percent' : usual)
const bases = reactive<Record<Nutrient, AmountBasis>>({
  ...{ protein: basis('protein', 'perKg'), carbohydrate: basis('carbohydrate', 'perKg') },
  fat: basis('fat', 'percent'),
})
const diet = ref<Diet>(kept?.diet ?? 'everything')
const diets = DIETS.map((value) => ({ value, name: t(`planner.diets.${value}`) }))
/** What is usual of protein where no body mass is known, % of energy. Common practice, no source. */
const USUAL_PROTEIN_PERCENT = 20
watch(
  [training, () => bases.protein],
  () => {
    const { proteinPerKg, proteinPerLeanKg } = target.value
    if (bases.protein === 'perKg') texts.protein = fixed(middle(proteinPerKg), 1)
    else if (bases.protein === 'perLeanKg') {
      texts.protein = fixed(middle(proteinPerLeanKg ?? proteinPerKg), 1)
    } else if (bases.protein === 'percent') texts.protein = String(USUAL_PROTEIN_PERCENT)
    else texts.protein = ''
  },
  { immediate: kept === undefined },
)

// Once a body mass is known, what nobody has typed is counted by it.
watch(
  () => props.massKg !== undefined,
  (known) => {
    if (!known) return
    if (texts.protein === String(USUAL_PROTEIN_PERCENT)) bases.protein = 'perKg'
    if (texts.carbohydrate === '') bases.carbohydrate = 'perKg'
  },
)

const OPTIONS: { value: AmountBasis; name: string }[] = [
  { value: 'perKg', name: 'g/kg' },
  { value: 'perLeanKg', name: t('planner.gKgLean') },
  { value: 'percent', name: t('planner.percentEnergy') },
  { value: 'grams', name: 'g' },
]
const options = computed(() =>
  OPTIONS.filter(
    ({ value }) =>
      (value !== 'perKg' || props.massKg !== undefined) &&
      (value !== 'perLeanKg' || props.leanKg !== undefined),
  ),
)
const FIELDS: { id: Nutrient; label: string; hint?: string }[] = [
  { id: 'protein', label: t('plan.protein') },
  { id: 'carbohydrate', label: t('plan.carbohydrate'), hint: t('planner.leaveBlankRemainder') },
  {
    ...{ id: 'fat', label: t('plan.fat') },
    hint: t('planner.fatHint', { least: 100 * LEAST_FAT_SHARE }),
  },
]
/** What is typed of each that is no number, in words. */
const senseless = computed(() => {
  const fields = [...FIELDS, { id: 'meals' as const, label: t('planner.mealsDay') }]
  return fields.flatMap(({ id, label }) => {
    const text = texts[id].trim()
    const none =
      text === '' ? id === 'protein' || id === 'meals' : typedNumber(plainText(text)) === undefined
    return none ? [refusalText(label, text, t('planner.number'))] : []
  })[0]
})
const rangeText = ([low, high]: readonly number[]) => t('planner.range', { low, high })
const number = (text: string) => typedNumber(plainText(text)) ?? NaN
const asked = computed<DayWish>(() => {
  const amount = (nutrient: Nutrient) => {
    const text = texts[nutrient].trim()
    return text === '' ? {} : { [nutrient]: { value: number(text), by: bases[nutrient] } }
  }
  return {
    protein: { value: number(texts.protein), by: bases.protein },
    ...{ ...amount('carbohydrate'), ...amount('fat') },
    ...{ meals: number(texts.meals), diet: diet.value },
  }
})
const found = computed(() =>
  attempt(() => {
    const day = dayOf(asked.value, props)
    return { day, meal: mealOf(day, asked.value.meals, props.massKg) }
  }),
)
const trouble = computed(
  () => senseless.value ?? (found.value.ok ? undefined : wordsOf(found.value.error)),
)
/** The last that made sense stays while something is typed, so that nothing jumps. */
const shown = computed<{ day: NutrientPlan; meal: Meal } | undefined>((old) =>
  trouble.value === undefined && found.value.ok ? found.value.value : old,
)
watch(
  () => (trouble.value === undefined ? JSON.stringify(asked.value) : undefined),
  (text) => (wish.value = text === undefined ? undefined : (JSON.parse(text) as DayWish)),
  { immediate: true },
)
const rows = computed(() => {
  if (!shown.value) return []
  const { parts } = shown.value.day
  const kcal = wholeParts(NUTRIENTS.map((n) => parts[n].kcal))
  const percent = wholeParts(NUTRIENTS.map((n) => parts[n].percent))
  return NUTRIENTS.map((n, i) => ({
    name: n,
    ...{ grams: parts[n].grams, kcal: kcal[i]!, percent: percent[i]! },
    ...{ perKg: per(parts[n].grams, props.massKg), perLeanKg: per(parts[n].grams, props.leanKg) },
  }))
})
const per = (grams: number, kg: number | undefined) =>
  kg === undefined ? '–' : fixed(grams / kg, 1)
const together = (of: 'kcal' | 'percent') => rows.value.reduce((sum, row) => sum + row[of], 0)
const trainings = TRAINING_TARGETS.map(({ id, name }) => ({ value: id, name: tell(name) }))
</script>

<template>
  <section>
    <h2 class="border-b-2 border-ink pb-1 text-xl">{{ t('plan.nutrientsDay') }}</h2>
    <div class="space-y-3 pt-3">
      <ChoiceRow v-model="training" :label="t('planner.training')" compact :options="trainings" />
      <p class="text-faded">
        {{
          t(target.proteinPerLeanKg ? 'planner.usualNutrientsLean' : 'planner.usualNutrients', {
            protein: rangeText(target.proteinPerKg),
            lean: target.proteinPerLeanKg && rangeText(target.proteinPerLeanKg),
            carbohydrate: rangeText(target.carbohydratePerKg),
            source: target.source,
          })
        }}
      </p>
      <div class="grid gap-3 sm:grid-cols-3">
        <FieldRow v-for="{ id, label, hint } in FIELDS" :id :key="id" :label :hint>
          <div class="flex gap-1">
            <RestingInput :id v-model="texts[id]" class="min-w-0 flex-1" inputmode="decimal" />
            <select
              v-model="bases[id]"
              class="field w-auto!"
              :aria-label="t('planner.unitOf', { label })"
            >
              <option v-for="{ value, name } in options" :key="value" :value>{{ name }}</option>
            </select>
          </div>
        </FieldRow>
      </div>
      <p role="alert" class="min-h-7 font-bold text-clay">{{ tell(trouble) }}</p>
      <template v-if="shown">
        <ScrollTable :label="t('planner.nutrients')" class="w-full max-w-3xl" data-test="nutrients">
          <TableHead
            :columns="['g', 'kcal', t('planner.percentEnergy'), 'g/kg', t('planner.gKgLean')]"
          />
          <tbody>
            <tr v-for="row in rows" :key="row.name" class="border-b border-line">
              <th scope="row" class="py-1">{{ row.name }}</th>
              <td class="figure text-right text-[24px]">{{ fixed(row.grams, 0) }}</td>
              <td class="figure text-right text-[20px]">{{ row.kcal }}</td>
              <td class="figure text-right text-[20px]">{{ row.percent }}</td>
              <td class="figure text-right text-[20px]">{{ row.perKg }}</td>
              <td class="figure text-right text-[20px]">{{ row.perLeanKg }}</td>
            </tr>
          </tbody>
          <tfoot>
            <tr class="border-t-2 border-ink">
              <th scope="row">{{ t('planner.together') }}</th>
              <td />
              <td class="figure text-right text-[20px]">{{ together('kcal') }}</td>
              <td class="figure text-right text-[20px]">{{ together('percent') }}</td>
              <td />
              <td />
            </tr>
          </tfoot>
        </ScrollTable>
        <p v-for="conflict in shown.day.conflicts" :key="tell(conflict)" class="caution">
          {{ tell(conflict) }}
        </p>
      </template>
      <h3 class="pt-3 text-lg font-bold">{{ t('plan.meals') }}</h3>
      <div class="flex flex-wrap items-start gap-x-6 gap-y-3">
        <TextField
          id="meals"
          v-model="texts.meals"
          resting
          :label="t('planner.mealsDay')"
          class="max-w-28"
          inputmode="numeric"
        />
        <ChoiceRow v-model="diet" :label="t('planner.eats')" compact :options="diets" />
      </div>
      <template v-if="shown">
        <p class="min-h-14 text-lg" data-test="meal">
          {{ mealText(shown.meal) }}
        </p>
        <p v-for="note in DIET_NOTES[diet]" :key="tell(note)">{{ tell(note) }}</p>
        <p>
          <NuxtLink
            :to="{
              path: '/reference/food-label',
              query: {
                kcal: Math.round(shown.meal.kcal),
                protein: Math.round(shown.meal.grams.protein),
                carbohydrate: Math.round(shown.meal.grams.carbohydrate),
                fat: Math.round(shown.meal.grams.fat),
              },
            }"
            class="link"
          >
            {{ t('planner.readLabel') }}
          </NuxtLink>
        </p>
      </template>
    </div>
  </section>
</template>

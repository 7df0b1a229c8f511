<script setup lang="ts">
import {
  attempt,
  fixed,
  gramsOf,
  LEAST_FAT_SHARE,
  KCAL_PER_GRAM,
  NUTRIENTS,
  nutrientPlan,
  TRAINING_TARGETS,
  typedNumber,
  wholeParts,
  type AmountBasis,
  type Nutrient,
} from '#core'

/** Protein, carbohydrate and fat of a day that add up to its energy; with a plan or without one. */
const props = defineProps<{ kcal: number; massKg?: number; leanKg?: number }>()
const training = defineModel<string>('training', { required: true })

const target = computed(
  () => TRAINING_TARGETS.find(({ id }) => id === training.value) ?? TRAINING_TARGETS[0]!,
)
const middle = ([low, high]: [number, number]) => (low + high) / 2
const texts = reactive<Record<Nutrient, string>>({ protein: '', carbohydrate: '', fat: '' })
const bases = reactive<Record<Nutrient, AmountBasis>>({
  ...{ protein: props.massKg === undefined ? 'percent' : 'perKg' },
  ...{ carbohydrate: props.massKg === undefined ? 'percent' : 'perKg', fat: 'percent' },
})
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
  { immediate: true },
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
  { value: 'perLeanKg', name: 'g/kg lean' },
  { value: 'percent', name: '% of energy' },
  { value: 'grams', name: 'g' },
]
const options = computed(() =>
  OPTIONS.filter(
    ({ value }) =>
      (value !== 'perKg' || props.massKg !== undefined) &&
      (value !== 'perLeanKg' || props.leanKg !== undefined),
  ),
)
const number = (text: string) => (text.trim() ? (typedNumber(text.trim()) ?? NaN) : undefined)
const plan = computed(() =>
  attempt(() => {
    const grams = (nutrient: Nutrient) => {
      const value = number(texts[nutrient])
      return value === undefined
        ? undefined
        : gramsOf(nutrient, { value, by: bases[nutrient] }, props)
    }
    const fat = grams('fat')
    return nutrientPlan(props.kcal, {
      proteinG: grams('protein') ?? NaN,
      carbohydrateG: grams('carbohydrate'),
      fatShare: fat === undefined ? undefined : (fat * KCAL_PER_GRAM.fat) / props.kcal,
    })
  }),
)
const rows = computed(() => {
  if (!plan.value.ok) return []
  const { parts } = plan.value.value
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
const trainings = TRAINING_TARGETS.map(({ id, name }) => ({ value: id, name }))
const FIELDS: { id: Nutrient; label: string; hint?: string }[] = [
  { id: 'protein', label: 'Protein' },
  { id: 'carbohydrate', label: 'Carbohydrate', hint: 'leave blank for the remainder' },
  {
    ...{ id: 'fat', label: 'Fat' },
    hint: `at least ${100 * LEAST_FAT_SHARE}%; blank: 30%, or the remainder`,
  },
]
</script>

<template>
  <section>
    <h2 class="border-b-2 border-ink pb-1 text-xl">Nutrients of a day</h2>
    <div class="space-y-3 pt-3">
      <ChoiceRow v-model="training" label="Training" compact :options="trainings" />
      <p class="text-faded">
        Usual here: protein {{ target.proteinPerKg.join(' to ') }} g/kg<template
          v-if="target.proteinPerLeanKg"
        >
          ({{ target.proteinPerLeanKg.join(' to ') }} a kg of lean)</template
        >, carbohydrate {{ target.carbohydratePerKg.join(' to ') }} g/kg ({{ target.source }}).
      </p>
      <div class="grid gap-3 sm:grid-cols-3">
        <FieldRow v-for="{ id, label, hint } in FIELDS" :id :key="id" :label :hint>
          <div class="flex gap-1">
            <input
              :id
              v-model="texts[id]"
              class="field min-w-0 flex-1"
              inputmode="decimal"
              autocomplete="off"
            />
            <select v-model="bases[id]" class="field w-auto!" :aria-label="`${label} by`">
              <option v-for="{ value, name } in options" :key="value" :value>{{ name }}</option>
            </select>
          </div>
        </FieldRow>
      </div>
      <p v-if="!plan.ok" role="alert" class="font-bold text-clay">{{ plan.error.message }}</p>
      <template v-else>
        <p v-for="conflict in plan.value.conflicts" :key="conflict" class="caution">
          {{ conflict }}
        </p>
        <ScrollTable label="Nutrients" class="w-full max-w-3xl" data-test="nutrients">
          <TableHead :columns="['g', 'kcal', '% of energy', 'g/kg', 'g/kg lean']" />
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
              <th scope="row">together</th>
              <td />
              <td class="figure text-right text-[20px]">{{ together('kcal') }}</td>
              <td class="figure text-right text-[20px]">{{ together('percent') }}</td>
              <td />
              <td />
            </tr>
          </tfoot>
        </ScrollTable>
      </template>
    </div>
  </section>
</template>

<script setup lang="ts">
import {
  attempt,
  fixed,
  LEAST_FAT_SHARE,
  NUTRIENTS,
  nutrientPlan,
  TRAINING_TARGETS,
  typedNumber,
  wholeParts,
} from '#core'

/** Protein, carbohydrate and fat of a day, adding up to its energy. */
const props = defineProps<{ kcal: number; massKg: number; leanKg: number }>()
const training = defineModel<string>('training', { required: true })

const target = computed(
  () => TRAINING_TARGETS.find(({ id }) => id === training.value) ?? TRAINING_TARGETS[0]!,
)
const middle = ([low, high]: [number, number]) => (low + high) / 2
const texts = reactive({ protein: '', carbohydrate: '', fat: '' })
const perLean = ref(false)
watch(
  [training, perLean],
  () => {
    const { proteinPerKg, proteinPerLeanKg } = target.value
    perLean.value &&= proteinPerLeanKg !== undefined
    const usual = perLean.value && proteinPerLeanKg ? proteinPerLeanKg : proteinPerKg
    texts.protein = fixed(middle(usual), 1)
  },
  { immediate: true },
)

const number = (text: string) => (text.trim() ? typedNumber(text.trim()) : undefined)
const plan = computed(() =>
  attempt(() => {
    const base = perLean.value ? props.leanKg : props.massKg
    const carbohydrate = number(texts.carbohydrate)
    const fat = number(texts.fat)
    return nutrientPlan(props.kcal, {
      proteinG: (number(texts.protein) ?? NaN) * base,
      carbohydrateG: carbohydrate === undefined ? undefined : carbohydrate * props.massKg,
      fatShare: fat === undefined ? undefined : fat / 100,
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
    grams: parts[n].grams,
    kcal: kcal[i]!,
    percent: percent[i]!,
    perKg: parts[n].grams / props.massKg,
    perLeanKg: parts[n].grams / props.leanKg,
  }))
})
const trainings = TRAINING_TARGETS.map(({ id, name }) => ({ value: id, name }))
const bases = [
  { value: 'mass' as const, name: 'of body mass' },
  { value: 'lean' as const, name: 'of lean mass' },
]
const base = computed({
  get: () => (perLean.value ? ('lean' as const) : ('mass' as const)),
  set: (value) => (perLean.value = value === 'lean'),
})
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
        <TextField
          id="protein"
          v-model="texts.protein"
          label="Protein, g a kg"
          inputmode="decimal"
        />
        <TextField
          id="carbohydrate"
          v-model="texts.carbohydrate"
          label="Carbohydrate, g a kg"
          hint="empty: what is left"
          inputmode="decimal"
        />
        <TextField
          id="fat-share"
          v-model="texts.fat"
          label="Fat, % of energy"
          :hint="`at least ${100 * LEAST_FAT_SHARE}; empty: 30, or what is left`"
          inputmode="decimal"
        />
      </div>
      <ChoiceRow
        v-if="target.proteinPerLeanKg"
        v-model="base"
        label="Protein by kg"
        :options="bases"
      />
      <p v-if="!plan.ok" role="alert" class="font-bold text-clay">{{ plan.error.message }}</p>
      <template v-else>
        <p v-for="conflict in plan.value.conflicts" :key="conflict" class="caution">
          {{ conflict }}
        </p>
        <ScrollBox label="Nutrients">
          <table class="w-full max-w-3xl border-collapse text-left" data-test="nutrients">
            <TableHead :columns="['g', 'kcal', '% of energy', 'g/kg', 'g/kg lean']" />
            <tbody>
              <tr v-for="row in rows" :key="row.name" class="border-b border-line">
                <th scope="row" class="py-1">{{ row.name }}</th>
                <td class="figure text-right text-[24px]">{{ fixed(row.grams, 0) }}</td>
                <td class="figure text-right text-[20px]">{{ row.kcal }}</td>
                <td class="figure text-right text-[20px]">{{ row.percent }}</td>
                <td class="figure text-right text-[20px]">{{ fixed(row.perKg, 1) }}</td>
                <td class="figure text-right text-[20px]">{{ fixed(row.perLeanKg, 1) }}</td>
              </tr>
            </tbody>
            <tfoot>
              <tr class="border-t-2 border-ink">
                <th scope="row">together</th>
                <td />
                <td class="figure text-right text-[20px]">
                  {{ rows.reduce((sum, row) => sum + row.kcal, 0) }}
                </td>
                <td class="figure text-right text-[20px]">
                  {{ rows.reduce((sum, row) => sum + row.percent, 0) }}
                </td>
                <td />
                <td />
              </tr>
            </tfoot>
          </table>
        </ScrollBox>
      </template>
    </div>
  </section>
</template>

<script setup lang="ts">
import { parseMass } from '#core'

/* The nutrients of any energy, without a client and without a plan. */

const massUnit = useMassUnit()
const texts = reactive({ kcal: '', mass: '', lean: '' })
const training = ref('strength')
const fields = computed(() => ({
  kcal: numberField(texts.kcal, 'Energy', [500, 10_000], 'kcal a day'),
  mass: readField(texts.mass, (text) => parseMass(text, massUnit.value)),
  lean: readField(texts.lean, (text) => parseMass(text, massUnit.value)),
}))
const problem = computed(() => {
  const { mass, lean } = fields.value
  return mass.value !== undefined && lean.value !== undefined && lean.value >= mass.value
    ? `Lean mass: got “${texts.lean.trim()}”. Accepted: less than the body mass.`
    : lean.problem
})
const lean = computed(() => (problem.value ? undefined : fields.value.lean.value))
</script>

<template>
  <ReferencePage title="Nutrients" class="max-w-5xl">
    <p class="max-w-3xl pb-4 text-lg">
      Protein, carbohydrate and fat of any energy: by body mass, by lean mass, or as a share of the
      energy. A diet for somebody who is ill belongs to a dietitian.
    </p>
    <div class="grid max-w-3xl grid-cols-2 gap-3 pb-3 sm:grid-cols-3">
      <TextField
        id="energy"
        v-model="texts.kcal"
        label="Energy, kcal a day"
        :error="fields.kcal.problem"
        inputmode="numeric"
        autofocus
      />
      <TextField
        id="body-mass"
        v-model="texts.mass"
        :label="`Weight, ${massUnit}`"
        hint="for g/kg"
        :error="fields.mass.problem"
      />
      <TextField
        id="lean-mass"
        v-model="texts.lean"
        :label="`Lean mass, ${massUnit}`"
        hint="for g/kg lean"
        :error="problem"
      />
    </div>
    <MassUnitChoice class="pb-4" />
    <NutrientPlanner
      v-if="fields.kcal.value !== undefined"
      v-model:training="training"
      :kcal="fields.kcal.value"
      :mass-kg="fields.mass.value"
      :lean-kg="lean"
    />
    <p v-else class="text-lg text-faded">Type the energy of a day.</p>
  </ReferencePage>
</template>

<script setup lang="ts">
import { parseMass } from '#core'

/* The nutrients of any energy, without a client and without a plan. */

const massUnit = useMassUnit()
const texts = reactive({ kcal: '', mass: '', lean: '' })
const training = ref('strength')
const fields = computed(() => ({
  kcal: numberField(texts.kcal, t('food.energy'), [500, 10_000], t('food.kcalDay')),
  mass: readField(texts.mass, (text) => parseMass(text, massUnit.value)),
  lean: readField(texts.lean, (text) => parseMass(text, massUnit.value)),
}))
const problem = computed(() => {
  const { mass, lean } = fields.value
  return mass.value !== undefined && lean.value !== undefined && lean.value >= mass.value
    ? t('food.leanMassGotTrimAccepted', { trim: texts.lean.trim() })
    : lean.problem
})
const lean = computed(() => (problem.value ? undefined : fields.value.lean.value))
</script>

<template>
  <ReferencePage :title="t('reference.nutrients')" class="max-w-5xl">
    <p class="max-w-3xl pb-4 text-lg">
      {{ t('food.proteinCarbohydrateFatAnyEnergy') }}
    </p>
    <div class="grid max-w-3xl grid-cols-2 gap-3 pb-3 sm:grid-cols-3">
      <TextField
        id="energy"
        v-model="texts.kcal"
        :label="t('food.energyKcalDay')"
        :error="fields.kcal.problem"
        inputmode="numeric"
        autofocus
      />
      <TextField
        id="body-mass"
        v-model="texts.mass"
        :label="t('reference.weightMassunit', { massUnit })"
        :hint="t('food.gKg')"
        :error="fields.mass.problem"
      />
      <TextField
        id="lean-mass"
        v-model="texts.lean"
        :label="t('food.leanMassMassunit', { massUnit })"
        :hint="t('food.gKgLean')"
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
    <p v-else class="text-lg text-faded">{{ t('food.typeEnergyDay') }}</p>
  </ReferencePage>
</template>

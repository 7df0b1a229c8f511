<script setup lang="ts">
import { CONVERSIONS, convertsFor, type Conversion, type Sex } from '#core'

/** By which line a density becomes a share of fat: one of anybody's, or of a group of that sex. */
const props = defineProps<{ sex: Sex; compact?: boolean }>()
const conversion = defineModel<Conversion>({ required: true })

const options = computed(() =>
  Object.values(CONVERSIONS)
    .filter(({ id }) => convertsFor(id, props.sex))
    .map(({ id, name, group }) => ({
      ...{ value: id, name: tell(name) },
      ...(group ? { detail: tell(group) } : {}),
    })),
)
</script>

<template>
  <ChoiceRow v-model="conversion" :label="t('common.densityToFat')" :compact :options />
</template>

<script setup lang="ts">
import { CONVERSIONS, type Conversion } from '#core'

/** By which line a density becomes a share of fat. */
defineProps<{ compact?: boolean }>()
const conversion = defineModel<Conversion>({ required: true })

const options = Object.values(CONVERSIONS).map(({ id, name }) => ({ value: id, name: tell(name) }))
</script>

<template>
  <ChoiceRow v-model="conversion" :label="t('common.densityToFat')" :compact :options />
</template>

<script setup lang="ts">
/** Typed numbers, each with the words of what is wrong with it. */
defineProps<{
  fields: readonly { id: string; label: string; problem?: string; title?: string }[]
}>()
const texts = defineModel<Record<string, string>>({ required: true })
</script>

<template>
  <InTurn v-for="{ id, label, problem, title } in fields" :key="id">
    <TextField :id v-model="texts[id]" :label :error="problem" :title inputmode="decimal" />
  </InTurn>
</template>

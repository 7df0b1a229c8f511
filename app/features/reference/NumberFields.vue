<script setup lang="ts">
/** Typed numbers, each with the words of what is wrong with it. */
defineProps<{
  fields: readonly { id: string; label: string; problem?: string; title?: string }[]
}>()
const texts = defineModel<Record<string, string>>({ required: true })
</script>

<template>
  <div class="grid grid-cols-2 gap-x-4 gap-y-2 sm:grid-cols-3">
    <InTurn v-for="{ id, label, problem, title } in fields" :key="id">
      <TextField :id v-model="texts[id]" :label :error="problem" :title inputmode="decimal" />
    </InTurn>
  </div>
</template>

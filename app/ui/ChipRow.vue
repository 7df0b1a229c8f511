<script setup lang="ts" generic="T extends string">
/** Chips of which at most one is chosen; a tap on the chosen one takes it back. */
defineProps<{ label: string; options: { id: T; name: string }[] }>()
const model = defineModel<T | undefined>()
</script>

<template>
  <div role="group" :aria-label="label" class="flex flex-wrap items-center gap-1.5">
    <span class="w-28 text-faded" aria-hidden="true">{{ label }}</span>
    <ChipButton
      v-for="option in options"
      :key="option.id"
      :on="model === option.id"
      @click="model = model === option.id ? undefined : option.id"
    >
      {{ option.name }}
    </ChipButton>
  </div>
</template>

<script setup lang="ts" generic="T extends string">
/** Chips of which at most one is chosen; a tap on the chosen one takes it back. */
defineProps<{ label: string; options: { id: T; name: string }[] }>()
const model = defineModel<T | undefined>()
</script>

<template>
  <div role="group" :aria-label="label" class="flex flex-wrap items-center gap-1.5">
    <span class="w-28 text-faded" aria-hidden="true">{{ label }}</span>
    <button
      v-for="option in options"
      :key="option.id"
      type="button"
      class="min-h-11 rounded border-2 px-3"
      :class="model === option.id ? 'border-leaf bg-white font-bold' : 'border-faded/60 bg-chalk'"
      :aria-pressed="model === option.id"
      @click="model = model === option.id ? undefined : option.id"
    >
      <span v-if="model === option.id" aria-hidden="true">✓ </span>{{ option.name }}
    </button>
  </div>
</template>

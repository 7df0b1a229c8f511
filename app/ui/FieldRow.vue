<script setup lang="ts">
defineProps<{
  /** Id of the control inside, for the label and the error. */
  id: string
  /** Left out where the control has a label of its own. */
  label?: string
  hint?: string
  error?: string
}>()
</script>

<template>
  <div class="max-w-full min-w-0">
    <label v-if="label" :for="id" class="block pb-1 font-bold">{{ label }}</label>
    <slot />
    <p v-if="hint && !error" :id="`${id}-hint`" class="pt-1 text-faded">{{ hint }}</p>
    <p v-if="error" :id="`${id}-error`" role="alert" class="pt-1 font-bold text-clay">
      {{ error }}
    </p>
  </div>
</template>

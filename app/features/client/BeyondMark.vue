<script setup lang="ts">
/** Whether a change is more than measuring error leaves open, and its sign: by shape and word, never by colour alone. */
defineProps<{ change: number; beyond: boolean }>()
</script>

<template>
  <span class="whitespace-nowrap">
    <span aria-hidden="true" class="inline-block w-5">{{
      shapeOf({ change, verdict: beyond ? 'clear' : 'not-yet' })
    }}</span>
    {{ beyondText(beyond) }}
  </span>
</template>

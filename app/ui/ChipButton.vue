<script setup lang="ts">
/** A chip that is on or off. */
defineProps<{ on: boolean }>()
</script>

<template>
  <button
    type="button"
    class="min-h-11 rounded border-2 px-3"
    :class="on ? 'border-leaf bg-white font-bold' : 'border-faded/60 bg-chalk'"
    :aria-pressed="on"
  >
    <span v-if="on" aria-hidden="true">✓ </span><slot />
  </button>
</template>

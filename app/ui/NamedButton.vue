<script setup lang="ts">
/** One of many alike buttons in a list: who cannot see the line hears what it is for. */
defineProps<{ of: string }>()
</script>

<template>
  <button type="button" class="button">
    <slot /><span class="sr-only">{{ ` ${of}` }}</span>
  </button>
</template>

<script setup lang="ts">
/** What may be wider than the screen scrolls by itself, with keys too. */
defineProps<{ label: string }>()
</script>

<template>
  <div class="relative overflow-x-auto" tabindex="0" role="region" :aria-label="label">
    <slot />
  </div>
</template>

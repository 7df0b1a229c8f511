<script setup lang="ts">
/** The name of something in a list, which leads to its page. */
defineProps<{ to: string }>()
</script>

<template>
  <NuxtLink :to class="text-lg font-bold underline decoration-line decoration-2 underline-offset-4">
    <slot />
  </NuxtLink>
</template>

<script setup lang="ts">
import type { RouteLocationRaw } from 'vue-router'

/** The pages of one place. */
defineProps<{ label: string; pages: { to: RouteLocationRaw; label: string }[] }>()
</script>

<template>
  <nav
    :aria-label="label"
    class="flex gap-x-6 overflow-x-auto border-b border-line pb-2 max-sm:more-beside max-sm:-mx-4 max-sm:px-4 max-sm:pr-14 print:hidden"
  >
    <NuxtLink
      v-for="page in pages"
      :key="page.label"
      :to="page.to"
      class="min-h-11 py-2 whitespace-nowrap underline decoration-line decoration-2 underline-offset-8"
      exact-active-class="font-bold decoration-leaf!"
    >
      {{ page.label }}
    </NuxtLink>
  </nav>
</template>

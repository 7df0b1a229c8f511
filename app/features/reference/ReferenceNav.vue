<script setup lang="ts">
const pages = [
  { to: '/reference', label: 'Quick estimate' },
  { to: '/reference/equations', label: 'Equations and charts' },
  { to: '/reference/ranges', label: 'Ranges' },
  { to: '/reference/food-label', label: 'Food label' },
]
</script>

<template>
  <nav aria-label="Tables" class="flex flex-wrap gap-x-6 border-b border-line pb-2 print:hidden">
    <NuxtLink
      v-for="page in pages"
      :key="page.to"
      :to="page.to"
      class="min-h-11 py-2 underline decoration-line decoration-2 underline-offset-8"
      exact-active-class="font-bold decoration-leaf!"
    >
      {{ page.label }}
    </NuxtLink>
  </nav>
</template>

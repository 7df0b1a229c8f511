<script setup lang="ts">
const pages = [
  { to: '/reference', label: 'Quick estimate' },
  { to: '/reference/equations', label: 'Equations and charts' },
  { to: '/reference/ranges', label: 'Ranges' },
  { to: '/reference/judging', label: 'How changes are judged' },
  { to: '/reference/safety', label: 'Safety' },
  { to: '/reference/nutrients', label: 'Nutrients' },
  { to: '/reference/food-label', label: 'Food label' },
]
</script>

<template>
  <SubNav label="Reference" :pages />
</template>

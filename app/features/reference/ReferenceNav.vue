<script setup lang="ts">
const pages = [
  { to: '/reference', label: t('reference.quickEstimate') },
  { to: '/reference/equations', label: t('reference.equationsCharts') },
  { to: '/reference/ranges', label: t('reference.ranges') },
  { to: '/reference/judging', label: t('reference.howChangesJudged') },
  { to: '/reference/safety', label: t('reference.safety') },
  { to: '/reference/nutrients', label: t('reference.nutrients') },
  { to: '/guide', label: t('reference.guide') },
  { to: '/reference/food-label', label: t('reference.foodLabel') },
]
</script>

<template>
  <SubNav :label="t('reference.reference')" :pages />
</template>

<script setup lang="ts">
/** kg or lb, for all masses on this device. */
const unit = useMassUnit()
</script>

<template>
  <ChoiceRow v-model="unit" :label="t('common.masses')" hide-label :options="MASS_UNITS" />
</template>

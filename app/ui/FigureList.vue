<script setup lang="ts">
/** Figures by name, one a line. */
defineProps<{ lines: { name: string; value: string }[]; large?: boolean }>()
</script>

<template>
  <dl class="grid max-w-md grid-cols-[1fr_auto] gap-x-6">
    <template v-for="{ name, value } in lines" :key="name">
      <dt>{{ name }}</dt>
      <dd class="figure text-right" :class="large ? 'text-[26px]' : 'text-[21px]'">{{ value }}</dd>
    </template>
  </dl>
</template>

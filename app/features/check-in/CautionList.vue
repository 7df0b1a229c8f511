<script setup lang="ts">
/** What to do before any fold, in plain words with who to see. */
defineProps<{ cautions: string[] }>()
</script>

<template>
  <ul v-if="cautions.length" data-test="cautions" class="space-y-2">
    <li v-for="caution in cautions" :key="caution" class="caution">
      {{ caution }}
    </li>
    <li class="text-faded">
      A coach measures, explains and suggests; diagnosis and dietary treatment belong to licensed
      practice, and local rules come first.
    </li>
  </ul>
</template>

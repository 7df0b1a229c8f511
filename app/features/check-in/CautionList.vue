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
      {{ t('checkIn.coachMeasuresExplainsSuggestsDiagnosis') }}
    </li>
  </ul>
</template>

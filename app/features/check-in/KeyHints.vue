<script setup lang="ts">
import type { SiteKind } from './useSiteEntry'

/** The keys used most, under the sheet of a laptop. */
defineProps<{
  kind: SiteKind
  /** Seconds of the reading timer, where there is one. */ delay?: number
}>()
</script>

<template>
  <p class="flex flex-wrap gap-x-8 gap-y-1 border-t border-line px-6 py-3 text-faded">
    <span
      ><kbd class="key">{{ t('checkIn.enter') }}</kbd> {{ t('checkIn.takesNumberGoes') }}</span
    >
    <span><kbd class="key">⌫</kbd> {{ t('checkIn.emptyFieldGoesBack') }}</span>
    <span><kbd class="key">S</kbd> {{ t('checkIn.skip') }}</span>
    <span><kbd class="key">G</kbd> {{ t('checkIn.goSite') }}</span>
    <span v-if="kind === 'tape'"><kbd class="key">X</kbd> {{ t('checkIn.anotherGirth') }}</span>
    <span><kbd class="key">?</kbd> {{ t('checkIn.allKeys') }}</span>
    <span v-if="kind === 'folds' && delay" class="ml-auto">
      <kbd class="key">{{ t('checkIn.space') }}</kbd> {{ t('checkIn.readCueDelayS', { delay }) }}
    </span>
  </p>
</template>

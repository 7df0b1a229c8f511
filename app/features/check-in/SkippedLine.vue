<script setup lang="ts">
import type { Skipped } from '#shared/contract/check-ins'

/** The site that was skipped last, and the way back. */
defineProps<{ skipped: Skipped }>()
const emit = defineEmits<{ undo: [] }>()
const { protocol } = storeToRefs(useCheckInStore())
</script>

<template>
  <p role="status" data-test="skipped" class="mt-2 flex flex-wrap items-center gap-x-3 sm:mt-4">
    {{
      t('checkIn.skippedBecause', {
        site: siteNameIn(protocol, skipped.site),
        reason: skipText(skipped.reason),
      })
    }}
    <button type="button" class="button" @click="emit('undo')">
      <kbd class="key mr-2">U</kbd>{{ t('checkIn.undoSkip') }}
    </button>
  </p>
</template>

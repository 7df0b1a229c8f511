<script setup lang="ts">
/** What a page shows only after a check-in, with the way to one. */
defineProps<{ clientId: string; text: string }>()
const { start, busy, trouble } = useStartCheckIn()
</script>

<template>
  <div class="space-y-3">
    <p class="text-lg">{{ text }}</p>
    <button type="button" class="button button-lead" :disabled="busy" @click="start(clientId)">
      {{ t('record.startCheck') }}
    </button>
    <AlertLine :text="trouble" />
  </div>
</template>

<script setup lang="ts">
/** From the closing of the jaws to the moment at which the caliper is read. */
defineProps<{ state: 'idle' | 'waiting' | 'read'; ring: boolean; seconds: number }>()
</script>

<template>
  <p
    v-if="state !== 'idle'"
    role="status"
    class="mt-2 sm:mt-4 flex items-center gap-3 text-lg"
    :class="{ 'font-bold text-leaf': state === 'read' }"
  >
    <svg v-if="ring" viewBox="0 0 36 36" class="size-12 -rotate-90" aria-hidden="true">
      <circle cx="18" cy="18" r="15" class="fill-none stroke-line" stroke-width="5" />
      <circle
        cx="18"
        cy="18"
        r="15"
        pathLength="1"
        class="fill-none stroke-leaf"
        :class="state === 'waiting' ? 'cue-running' : ''"
        :style="{ '--cue': `${seconds}s` }"
        stroke-width="5"
        stroke-dasharray="1"
      />
    </svg>
    {{ state === 'waiting' ? t('checkIn.wait') : t('checkIn.readNow') }}
  </p>
</template>

<script setup lang="ts">
import type { SentValue } from './instrument-keys'

/** What became of what a caliper or tape has sent. */
const { sent } = defineProps<{ sent: SentValue | undefined }>()
const WORDS = {
  waiting: 'devices.waitedFor',
  taken: 'devices.taken',
  twice: 'devices.twice',
  unplaced: 'devices.unplaced',
} as const
</script>

<template>
  <p v-if="sent" role="status" data-test="sent" :class="sent.is === 'unplaced' ? 'text-clay' : ''">
    {{ t(WORDS[sent.is], { text: sent.text }) }}
  </p>
</template>

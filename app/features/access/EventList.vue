<script setup lang="ts">
import type { Events } from '#shared/contract/access'
import { eventWhen, eventWords } from './event-words'

/** Who did what, line by line. */
defineProps<{
  events: Events['events']
  /** Whether it says with whose record. */
  about?: boolean
  /** What is said where there is none. */
  none: string
}>()
</script>

<template>
  <ul v-if="events.length" data-test="events">
    <li v-for="(event, i) in events" :key="i" class="border-b border-line py-2">
      {{ eventWords(event, about ?? false) }}
      <span class="block text-sm text-faded">{{ eventWhen(event) }}</span>
    </li>
  </ul>
  <p v-else class="text-faded">{{ none }}</p>
</template>

<script setup lang="ts">
import type { GridLine } from './panels'

/** Lines across a panel, each with its value at the left, and a line down it where it is pointed at. */
defineProps<{
  lines: readonly GridLine[]
  text: (value: number) => string
  /** The line that everything counts from, where there is one. */
  base?: number
  /** Where it is pointed at, percent from the left. */
  at?: number
}>()
</script>

<template>
  <span
    v-if="at !== undefined"
    class="absolute inset-y-0 border-l-2 border-ink"
    :style="{ left: `${at}%` }"
  />
  <span
    v-for="line in lines"
    :key="line.value"
    class="absolute inset-x-0 border-t"
    :class="line.value === base ? 'border-faded' : 'border-line'"
    :style="{ top: `${line.y}%` }"
  >
    <span class="figure absolute right-full -translate-y-1/2 pr-2 text-[15px] text-faded">
      {{ text(line.value) }}
    </span>
  </span>
</template>

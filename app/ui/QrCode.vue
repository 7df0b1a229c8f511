<script setup lang="ts">
import { encode } from 'uqr'

/** A text as a square that cameras read. */
const props = defineProps<{ text: string; label: string }>()
const code = computed(() => encode(props.text, { ecc: 'M', border: 3 }))
/** One square of a side of 1 for each dark one. */
const path = computed(() =>
  code.value.data
    .flatMap((row, y) => row.flatMap((dark, x) => (dark ? `M${x} ${y}h1v1h-1z` : [])))
    .join(''),
)
</script>

<template>
  <svg
    :viewBox="`0 0 ${code.size} ${code.size}`"
    role="img"
    :aria-label="label"
    class="bg-white"
    shape-rendering="crispEdges"
  >
    <path :d="path" fill="#000" />
  </svg>
</template>

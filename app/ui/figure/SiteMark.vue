<script setup lang="ts">
import type { FigureSpot } from './sites'

/** A site on the figure: a fold as a short line along it, a girth as a line across with its ends. */
const { spot } = defineProps<{ spot: FigureSpot }>()
const path = computed(() => {
  const { x, y, span } = spot
  return span ? `M${x - span} ${y}h${span * 2}m0 -4v8M${x - span} ${y - 4}v8` : `M${x} ${y - 8}v16`
})
/** The line itself, over a wider one in white. */
const tones = computed(() => [
  { tone: 'stroke-white', width: spot.span ? 6.5 : 8 },
  { tone: 'stroke-leaf', width: spot.span ? 3.4 : 4.2 },
])
</script>

<template>
  <g :transform="`rotate(${spot.tilt} ${spot.x} ${spot.y})`">
    <path
      v-for="{ tone, width } in tones"
      :key="tone"
      :class="tone"
      :stroke-width="width"
      :d="path"
    />
  </g>
</template>

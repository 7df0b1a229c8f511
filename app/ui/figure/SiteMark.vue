<script setup lang="ts">
import type { FigureSpot } from './sites'

/** A site on the figure: a fold as a short line along it, a girth as a line across with its ends. */
defineProps<{ spot: FigureSpot }>()
const TONES = [
  ['stroke-white', 8, 6.5],
  ['stroke-leaf', 4.2, 3.4],
] as const
</script>

<template>
  <g v-if="spot.span">
    <path
      v-for="[tone, , width] in TONES"
      :key="tone"
      :class="tone"
      :stroke-width="width"
      :d="`M${spot.x - spot.span} ${spot.y}h${spot.span * 2}m0 -4v8M${spot.x - spot.span} ${spot.y - 4}v8`"
    />
  </g>
  <g v-else :transform="`rotate(${spot.tilt} ${spot.x} ${spot.y})`">
    <path
      v-for="[tone, width] in TONES"
      :key="tone"
      :class="tone"
      :stroke-width="width"
      :d="`M${spot.x} ${spot.y - 8}v16`"
    />
  </g>
</template>

<script setup lang="ts">
import { FIGURE_HEIGHT, FIGURE_WIDTH } from './outline'
import type { FigureSpot } from './sites'

defineProps<{
  view: 'front' | 'back'
  /** The site in hand: a fold as a short line along it, a girth as a line across. */
  current?: FigureSpot
  /** The other sites of this view. */
  others?: FigureSpot[]
  /** What the picture shows, for those who do not see it. */
  label: string
}>()
</script>

<template>
  <svg
    :viewBox="`0 0 ${FIGURE_WIDTH} ${FIGURE_HEIGHT}`"
    role="img"
    :aria-label="label"
    class="block h-full w-full"
    fill="none"
    stroke-linecap="round"
    stroke-linejoin="round"
  >
    <FigureBody :view />
    <circle
      v-for="(other, i) in others"
      :key="i"
      :cx="other.x"
      :cy="other.y"
      r="2.4"
      class="fill-faded"
    />
    <g v-if="current?.span" class="stroke-leaf">
      <path :d="`M${current.x - current.span} ${current.y}h${current.span * 2}`" stroke-width="4" />
      <path
        :d="`M${current.x - current.span} ${current.y - 5}v10M${current.x + current.span} ${current.y - 5}v10`"
        stroke-width="2.5"
      />
    </g>
    <g v-else-if="current" :transform="`rotate(${current.tilt} ${current.x} ${current.y})`">
      <circle
        :cx="current.x"
        :cy="current.y"
        r="11"
        class="fill-white stroke-leaf"
        stroke-width="2.5"
      />
      <path :d="`M${current.x} ${current.y - 6.5}v13`" class="stroke-leaf" stroke-width="4" />
    </g>
  </svg>
</template>

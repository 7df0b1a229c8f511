<script setup lang="ts">
import { Z95 } from '#core'

/** The somatochart: to the left the rounder, upwards the more muscular, to the right the more linear. */
const props = defineProps<{
  /** Oldest first, each with its number and what the measuring leaves open (one standard error). */
  points: { x: number; y: number; dx: number; dy: number; name: string }[]
  reference?: { x: number; y: number }
  label: string
}>()

/* A unit to the side is as long as the square root of three of those upwards, so that the corners are as far apart. */
const UP = 16
const ASIDE = UP * Math.sqrt(3)
const [LEFT, RIGHT, TOP, BOTTOM] = [-7.5, 7.5, 14, -9]
const at = ({ x, y }: { x: number; y: number }) => ({
  x: (x - LEFT) * ASIDE,
  y: (TOP - y) * UP,
})
const size = { width: (RIGHT - LEFT) * ASIDE, height: (TOP - BOTTOM) * UP }
/** The most that each component alone makes: 7-1-1, 1-7-1 and 1-1-7. */
const CORNERS = [
  { x: -6, y: -6 },
  { x: 0, y: 12 },
  { x: 6, y: -6 },
].map(at)
const side = Math.hypot(CORNERS[0]!.x - CORNERS[1]!.x, CORNERS[0]!.y - CORNERS[1]!.y)
const outline = `M ${CORNERS.map(({ x, y }) => `${x} ${y}`).join(` A ${side} ${side} 0 0 1 `)} A ${side} ${side} 0 0 1 ${CORNERS[0]!.x} ${CORNERS[0]!.y} Z`
const middle = at({ x: 0, y: 0 })

const drawn = computed(() =>
  props.points.map((point) => ({
    ...at(point),
    dx: Z95 * point.dx * ASIDE,
    dy: Z95 * point.dy * UP,
    name: point.name,
  })),
)
const path = computed(() => drawn.value.map(({ x, y }) => `${x},${y}`).join(' '))
</script>

<template>
  <svg
    :viewBox="`0 0 ${size.width} ${size.height}`"
    class="w-full max-w-[480px]"
    role="img"
    :aria-label="label"
    data-test="somatochart"
  >
    <path :d="outline" class="fill-white stroke-line" stroke-width="2" />
    <line
      v-for="corner in CORNERS"
      :key="corner.x"
      :x1="middle.x"
      :y1="middle.y"
      :x2="corner.x"
      :y2="corner.y"
      class="stroke-line"
    />
    <g class="fill-faded text-[15px]" aria-hidden="true">
      <text :x="CORNERS[1]!.x" :y="CORNERS[1]!.y - 10" text-anchor="middle">
        {{ t('profile.muscularAxis') }}
      </text>
      <text :x="CORNERS[0]!.x" :y="CORNERS[0]!.y + 38" text-anchor="middle">
        {{ t('profile.roundAxis') }}
      </text>
      <text :x="CORNERS[2]!.x" :y="CORNERS[2]!.y + 38" text-anchor="middle">
        {{ t('profile.linearAxis') }}
      </text>
    </g>
    <g v-if="reference" class="stroke-clay" stroke-width="3" aria-hidden="true">
      <path
        :d="`M ${at(reference).x - 8} ${at(reference).y} h 16 m -8 -8 v 16`"
        data-test="reference"
      />
    </g>
    <polyline :points="path" class="fill-none stroke-leaf" stroke-width="2" aria-hidden="true" />
    <g v-for="(point, i) in drawn" :key="i" aria-hidden="true">
      <path
        :d="`M ${point.x - point.dx} ${point.y} h ${2 * point.dx} M ${point.x} ${point.y - point.dy} v ${2 * point.dy}`"
        class="stroke-leaf"
        stroke-width="1.5"
      />
      <circle
        :cx="point.x"
        :cy="point.y"
        r="9"
        class="stroke-leaf"
        :class="i === drawn.length - 1 ? 'fill-leaf' : 'fill-white'"
        stroke-width="2"
      />
      <text
        :x="point.x"
        :y="point.y + 4"
        text-anchor="middle"
        class="text-[12px] font-bold"
        :class="i === drawn.length - 1 ? 'fill-white' : 'fill-ink'"
      >
        {{ point.name }}
      </text>
    </g>
  </svg>
</template>

<script setup lang="ts">
import { FIGURE_HEIGHT, FIGURE_WIDTH, type Build, type FigureView } from './outline'
import type { FigureSpot } from './sites'

const props = defineProps<{
  view: FigureView
  build: Build
  /** The site in hand: a fold as a short line along it, a girth as a line across. */
  current?: FigureSpot
  /** The other sites of this view. */
  others?: FigureSpot[]
  /** Sites that are marked as the one in hand is. */
  marks?: FigureSpot[]
  /** The name at the site in hand, on a leader line. */
  name?: string
  /** Turned over, for a site on the client's left side. */
  turned?: boolean
  /** Only the part about the site in hand, large. */
  near?: boolean
  /** What the picture shows, for those who do not see it. */
  label: string
}>()

/** The part that is shown near by: half the figure's width and less than half its height. */
const NEAR = { width: 112, height: 200 }
const within = (value: number, least: number, most: number) =>
  Math.min(Math.max(value, least), most)

const frame = computed(() => {
  const { current, near } = props
  if (!current || !near) return { x: 0, y: 0, width: FIGURE_WIDTH, height: FIGURE_HEIGHT }
  const { width, height } = NEAR
  return {
    x: within(current.x - width / 2, 0, FIGURE_WIDTH - width),
    y: within(current.y - height / 2, 0, FIGURE_HEIGHT - height),
    width,
    height,
  }
})
/** Where the name stands: above the mark, towards the middle of what is shown. */
const leader = computed(() => {
  const { current, name } = props
  if (!current || !name) return undefined
  const { x, y, width } = frame.value
  const top = within(current.y - 34, y + 14, current.y - 16)
  const left = current.x < x + width / 2
  return { left, x: left ? x + 5 : x + width - 5, y: top }
})
</script>

<template>
  <svg
    :viewBox="`${frame.x} ${frame.y} ${frame.width} ${frame.height}`"
    role="img"
    :aria-label="label"
    class="block h-full w-full"
    fill="none"
    stroke-linecap="round"
    stroke-linejoin="round"
  >
    <g :transform="turned ? `translate(${2 * frame.x + frame.width} 0) scale(-1 1)` : undefined">
      <FigureBody :view :build />
      <circle
        v-for="(other, i) in others"
        :key="i"
        :cx="other.x"
        :cy="other.y"
        r="2.4"
        class="fill-faded"
      />
      <path
        v-if="leader"
        :d="`M${current!.x} ${current!.y}L${leader.x + (leader.left ? 6 : -6)} ${leader.y + 3}`"
        class="stroke-ink"
        stroke-width="0.8"
      />
      <SiteMark v-for="(mark, i) in marks" :key="i" :spot="mark" />
      <SiteMark v-if="current" :spot="current" />
    </g>
    <text
      v-if="leader"
      :x="turned ? 2 * frame.x + frame.width - leader.x : leader.x"
      :y="leader.y"
      :text-anchor="leader.left !== !!turned ? 'start' : 'end'"
      class="figure fill-ink stroke-chalk text-[9px]"
      stroke-width="3"
      paint-order="stroke"
    >
      {{ name }}
    </text>
  </svg>
</template>

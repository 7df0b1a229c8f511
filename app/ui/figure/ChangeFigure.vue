<script setup lang="ts">
import { FIGURE_HEIGHT, FIGURE_WIDTH, type Build, type FigureView } from './outline'
import type { FigureSpot } from './sites'

/** Where on the body it changed: a shape at each site, as large as the change, and its number on a leader line. */
const props = defineProps<{
  view: FigureView
  build: Build
  spots: {
    id: string
    name: string
    /** The change in words for the number beside the name. */
    text: string
    spot: FigureSpot
    /** Later less earlier, as a share of the largest change shown. */
    share: number
    sure: boolean
  }[]
  label: string
}>()

const MARGIN = 118
const ROW = 29

interface Placed {
  mark: (typeof props.spots)[number]
  left: boolean
  y: number
}

/** Names on the side of the body that their site is on, none over another. */
const placed = computed<Placed[]>(() => {
  const sides = [true, false].map((left) => {
    const mine = props.spots
      .filter(({ spot }) => spot.x < FIGURE_WIDTH / 2 === left)
      .sort((a, b) => a.spot.y - b.spot.y)
    let free = 16
    return mine.map((mark) => {
      const y = Math.max(free, mark.spot.y)
      free = y + ROW
      return { mark, left, y }
    })
  })
  return sides.flat()
})

/** Room for the names on the sides that have some. */
const frame = computed(() => {
  const has = (side: boolean) => placed.value.some(({ left }) => left === side)
  const [before, after] = [true, false].map((side) => (has(side) ? MARGIN : 4)) as [number, number]
  return { x: -before, width: before + FIGURE_WIDTH + after }
})

const SMALLEST = 4
const LARGEST = 11
/** A triangle that points the way the site went. */
function triangle({ spot, share }: (typeof props.spots)[number]): string {
  const size = SMALLEST + Math.abs(share) * (LARGEST - SMALLEST)
  const tip = share < 0 ? size : -size
  return `M${spot.x - size} ${spot.y - tip / 2}H${spot.x + size}L${spot.x} ${spot.y + tip}Z`
}
</script>

<template>
  <svg
    :viewBox="`${frame.x} 0 ${frame.width} ${FIGURE_HEIGHT}`"
    role="img"
    :aria-label="label"
    class="block h-full w-full"
  >
    <FigureBody :view :build />
    <g v-for="{ mark, left, y } in placed" :key="mark.id">
      <path
        :d="`M${mark.spot.x} ${mark.spot.y}L${left ? -6 : FIGURE_WIDTH + 6} ${y}`"
        class="stroke-faded"
        stroke-width="0.8"
      />
      <path
        :d="triangle(mark)"
        class="stroke-ink"
        :class="mark.sure ? 'fill-ink' : 'fill-chalk'"
        stroke-width="1.4"
      />
      <text :y="y - 1" :text-anchor="left ? 'end' : 'start'" class="fill-ink text-[12px]">
        <tspan :x="left ? -10 : FIGURE_WIDTH + 10">{{ mark.name }}</tspan>
        <tspan :x="left ? -10 : FIGURE_WIDTH + 10" dy="13" class="figure text-[15px]">
          {{ mark.text }}
        </tspan>
      </text>
    </g>
  </svg>
</template>

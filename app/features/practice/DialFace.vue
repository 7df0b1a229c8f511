<script setup lang="ts">
/** The dial of a caliper with its needle. */
const { shown } = defineProps<{ /** mm */ shown: number }>()
/** It goes once round, mm. */
const ROUND_MM = 40
const ticks = Array.from({ length: ROUND_MM * 2 }, (_, i) => ({
  angle: (i * 360) / (ROUND_MM * 2),
  length: i % 10 === 0 ? 12 : i % 2 === 0 ? 8 : 4,
  mm: i % 10 === 0 ? i / 2 : undefined,
}))
const at = (angle: number, radius: number) => ({
  x: 100 + radius * Math.sin((angle * Math.PI) / 180),
  y: 100 - radius * Math.cos((angle * Math.PI) / 180),
})
const needle = computed(() => at((shown * 360) / ROUND_MM, 74))
</script>

<template>
  <svg viewBox="0 0 200 200" class="w-full max-w-80" role="img" :aria-label="t('practice.dial')">
    <circle cx="100" cy="100" r="96" class="fill-white stroke-ink" stroke-width="3" />
    <template v-for="(tick, i) in ticks" :key="i">
      <line
        :x1="at(tick.angle, 92).x"
        :y1="at(tick.angle, 92).y"
        :x2="at(tick.angle, 92 - tick.length).x"
        :y2="at(tick.angle, 92 - tick.length).y"
        class="stroke-ink"
        :stroke-width="tick.mm === undefined ? 0.8 : 1.6"
      />
      <text
        v-if="tick.mm !== undefined"
        :x="at(tick.angle, 68).x"
        :y="at(tick.angle, 68).y + 4"
        text-anchor="middle"
        class="figure fill-ink text-[13px]"
      >
        {{ tick.mm }}
      </text>
    </template>
    <line
      x1="100"
      y1="100"
      :x2="needle.x"
      :y2="needle.y"
      class="stroke-clay"
      stroke-width="2"
      stroke-linecap="round"
      data-test="needle"
    />
    <circle cx="100" cy="100" r="5" class="fill-ink" />
  </svg>
</template>

<script setup lang="ts">
import type { Wall } from '#shared/contract/leaderboards'
import { leaderboards } from '~/contract'
import { errorName, isGood, measureName, useBoardUnits } from '~/features/leaderboards/measures'

/* A leaderboard on a screen on the wall, read across a room. It looks again by itself. */
definePageMeta({ layout: false })

/** Stands behind the sign that a browser keeps to itself. */
const key = ref('')
const wall = shallowRef<Wall>()
const trouble = ref('')
usePageTitle(() => wall.value?.name ?? t('leaderboards.leaderboards'))

async function look() {
  try {
    wall.value = await callApi(leaderboards.wall, { params: { key: key.value } })
    trouble.value = ''
  } catch (error) {
    trouble.value = wordsOf(error as Error)
    // What hung there last stays while the server is away; a link that is over shows nothing.
    if (error instanceof Refused) wall.value = undefined
  }
}
const AGAIN_MS = 60_000
let timer: ReturnType<typeof setInterval> | undefined
onMounted(() => {
  key.value = location.hash.slice(1)
  void look()
  timer = setInterval(() => void look(), AGAIN_MS)
})
onUnmounted(() => clearInterval(timer))

const measure = computed(() => wall.value?.measure ?? 'recomposition')
const { unit, scale } = useBoardUnits(() => measure.value)
</script>

<template>
  <main class="min-h-dvh bg-oak px-[4vw] py-[3vh] text-chalk" data-test="wall">
    <p v-if="trouble" role="alert" class="pb-3 text-lg">{{ trouble }}</p>
    <template v-if="wall">
      <header class="flex flex-wrap items-baseline justify-between gap-x-8 pb-[2vh]">
        <h1 class="figure text-[clamp(36px,5vw,88px)]! leading-tight">{{ wall.name }}</h1>
        <p class="text-[clamp(18px,1.8vw,32px)]">
          {{ measureName(wall.measure) }} ·
          {{
            wall.closedAt
              ? t('leaderboards.wallClosed')
              : t('leaderboards.wallUntil', { day: formatDate(wall.endsOn, true) })
          }}
        </p>
      </header>
      <p v-if="wall.lines.length === 0" class="text-[clamp(20px,2.4vw,44px)]">
        {{ t('leaderboards.nobodyCanRankedYet') }}
      </p>
      <ol class="text-[clamp(20px,2.4vw,44px)]">
        <li
          v-for="(line, i) in wall.lines"
          :key="i"
          class="grid grid-cols-[2.4em_minmax(0,9em)_1fr_auto] items-center gap-x-4 border-b border-line/40 py-[0.6vh] max-sm:grid-cols-[2.4em_1fr_auto]"
          data-test="line"
        >
          <span class="figure">{{
            line.tie ? t('leaderboards.sharedPlace', { place: line.place }) : line.place
          }}</span>
          <span class="truncate">{{ line.name ?? t('leaderboards.nameHidden') }}</span>
          <span class="h-[0.7em] max-sm:hidden" aria-hidden="true">
            <span
              class="block h-full border-2 border-lamp"
              :class="{ 'bg-lamp': isGood(wall.measure, line.share) }"
              :style="{ width: `${Math.max(1, Math.abs(line.share) * 100)}%` }"
            />
          </span>
          <span v-if="line.change !== null" class="figure text-right whitespace-nowrap"
            >{{ signed(scale(line.change), 1) }} {{ unit }}</span
          >
        </li>
      </ol>
      <p class="pt-[2vh] text-[clamp(16px,1.4vw,26px)]">
        {{ t('leaderboards.wallFoot', { what: errorName(wall.measure) }) }}
      </p>
    </template>
  </main>
</template>

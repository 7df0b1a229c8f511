<script setup lang="ts">
import { type BoardMeasure, Z95 } from '#core'
import type { BoardLine } from '#shared/contract/leaderboards'
import { errorName, isGood, useBoardUnits } from './measures'

/** Who stands where, best first; who shares a place stands together, with why. */
const { lines, measure, plain } = defineProps<{
  lines: BoardLine[]
  measure: BoardMeasure
  /** On paper: no links, no bars. */
  plain?: boolean
}>()

const { unit, scale, figure } = useBoardUnits(() => measure)
const widest = computed(() => Math.max(1e-9, ...lines.map(({ change }) => Math.abs(change))))
const places = computed(() =>
  [...new Set(lines.map(({ place }) => place))].map((place) => {
    const sharing = lines.filter((line) => line.place === place)
    return { place, sharing, tie: sharing[0]!.tie }
  }),
)
</script>

<template>
  <ol data-test="board">
    <li
      v-for="{ place, sharing, tie } in places"
      :key="place"
      class="grid grid-cols-[56px_1fr] gap-x-4 border-b border-line py-2"
    >
      <span class="figure text-[34px] leading-none" :class="{ 'row-span-2': tie }">{{
        tie ? t('leaderboards.sharedPlace', { place }) : place
      }}</span>
      <ul>
        <li
          v-for="(line, i) in sharing"
          :key="i"
          class="grid grid-cols-[1fr_auto] items-center gap-x-4 py-1"
          data-test="line"
        >
          <span class="min-w-0">
            <NuxtLink
              v-if="line.clientId && !plain"
              :to="`/clients/${line.clientId}`"
              class="block text-lg font-bold underline decoration-line decoration-2 underline-offset-4"
              >{{ line.name }}</NuxtLink
            >
            <span v-else class="block text-lg" :class="{ 'font-bold': line.name }">{{
              line.name ?? t('leaderboards.nameHidden')
            }}</span>
            <!-- A filled bar went the way that is ranked first, a hollow one the other way. -->
            <span
              v-if="!plain"
              class="mt-1 block h-2.5 border-2 border-oak"
              :class="{ 'bg-oak': isGood(measure, line.change) }"
              :style="{ width: `${Math.max(1, (Math.abs(line.change) / widest) * 100)}%` }"
              aria-hidden="true"
            />
            <span class="text-faded">{{
              t('leaderboards.period', { from: formatDate(line.from), to: formatDate(line.to) })
            }}</span>
          </span>
          <span class="text-right">
            <span class="figure block text-[30px] whitespace-nowrap">
              {{ signed(scale(line.change), 1) }} {{ unit }}
            </span>
            <span class="text-faded">± {{ fixed(Z95 * scale(line.standardError), 1) }}</span>
          </span>
        </li>
      </ul>
      <p v-if="tie" class="border-l-4 border-line pl-3" data-test="tie">
        {{
          t('leaderboards.whyTied', {
            ...counted(tie.count),
            spread: figure(tie.spread),
            clear: figure(tie.clearFrom),
            what: errorName(measure),
          })
        }}
      </p>
    </li>
  </ol>
</template>

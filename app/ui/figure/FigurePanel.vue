<script setup lang="ts">
import type { Build } from './outline'
import type { FigureSpot } from './sites'

/**
 * The drawn figure beside the site in hand: the part about it, large, and the whole of it in a corner; turned over where
 * the site is taken on the left.
 */
const { spot, side } = defineProps<{
  /** None for a site that has its place in words alone. */
  spot: FigureSpot | undefined
  /** The other sites of this view. */
  others: FigureSpot[]
  build: Build
  side: 'right' | 'left'
  name: string
  /** What the picture shows, for those who do not see it. */
  label: string
}>()
const view = computed(() => spot?.view ?? 'front')
const turned = computed(() => side === 'left')
</script>

<template>
  <section class="hidden flex-col border-r border-line px-4 py-4 text-faded lg:flex">
    <p class="flex justify-between">
      <span>{{ t(`common.${view}`) }}</span>
      <span>{{ side === 'left' ? t('common.leftSide') : t('common.rightSide') }}</span>
    </p>
    <div class="relative min-h-0 flex-1 py-2">
      <BodyFigure
        :view
        :build
        :current="spot"
        :others
        :name
        :turned
        :label
        near
        class="max-h-[600px]"
      />
      <div
        v-if="spot"
        class="absolute right-0 bottom-2 h-[132px] w-[60px] border border-line bg-chalk"
        aria-hidden="true"
      >
        <BodyFigure :view :build :current="spot" :turned label="" />
      </div>
    </div>
    <slot />
  </section>
</template>

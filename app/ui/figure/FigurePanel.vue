<script setup lang="ts">
import type { FigureSpot } from './sites'

/** The drawn figure beside the site in hand, turned over where it is taken on the left. */
defineProps<{
  /** None for a site that has its place in words alone. */
  spot: FigureSpot | undefined
  /** The other sites of this view. */
  others: FigureSpot[]
  side: 'right' | 'left'
  /** What the picture shows, for those who do not see it. */
  label: string
}>()
</script>

<template>
  <section class="hidden flex-col border-r border-line px-4 py-5 text-faded lg:flex">
    <p class="flex justify-between">
      <span>{{ spot?.view === 'back' ? t('common.back') : t('common.front') }}</span><span>{{
        t('common.sideSide', { side })
      }}</span>
    </p>
    <div class="min-h-0 flex-1 py-2" :class="{ '-scale-x-100': side === 'left' }">
      <BodyFigure
        :view="spot?.view ?? 'front'"
        :current="spot"
        :others
        :label
        class="max-h-[540px]"
      />
    </div>
    <slot />
  </section>
</template>

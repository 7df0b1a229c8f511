<script setup lang="ts">
import type { Build } from '../../ui/figure/outline'
import type { FigureSpot } from '../../ui/figure/sites'

/** The site on a small figure, which opens the large one. */
defineProps<{ spot: FigureSpot; side: 'right' | 'left'; build: Build; small: boolean }>()
const emit = defineEmits<{ open: [] }>()
</script>

<template>
  <button
    type="button"
    class="shrink-0 lg:hidden"
    :aria-label="t('checkIn.showFigure')"
    @click="emit('open')"
  >
    <BodyFigure
      :view="spot.view"
      :build
      :turned="side === 'left'"
      :current="spot"
      label=""
      aria-hidden="true"
      :class="small ? 'h-32! w-16! max-sm:h-20! max-sm:w-10!' : 'h-32! w-16!'"
    />
  </button>
</template>

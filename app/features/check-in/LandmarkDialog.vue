<script setup lang="ts">
import type { Build } from '../../ui/figure/outline'
import type { FigureSpot } from '../../ui/figure/sites'

/** A landmark on the figure, large: for a small screen. */
defineProps<{
  open: boolean
  landmark: { name: string; text: string; caption: string }
  spot: FigureSpot
  build: Build
  side: 'right' | 'left'
  others: FigureSpot[]
}>()
const emit = defineEmits<{ close: [] }>()
</script>

<template>
  <AskDialog :title="landmark.name" :open @close="emit('close')">
    <div class="h-[60vh]">
      <BodyFigure
        :view="spot.view"
        :build
        :current="spot"
        :others
        :name="landmark.name"
        :turned="side === 'left'"
        :label="landmark.text"
        near
      />
    </div>
    <p class="py-3">
      {{ t('checkIn.textCaption', { text: landmark.text, caption: landmark.caption }) }}
    </p>
    <button type="button" class="button" @click="emit('close')">{{ t('checkIn.close') }}</button>
  </AskDialog>
</template>

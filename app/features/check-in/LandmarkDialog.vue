<script setup lang="ts">
import type { FigureSpot } from '../../ui/figure/sites'

/** A landmark on the figure, large: for a small screen. */
defineProps<{
  open: boolean
  landmark: { name: string; text: string; caption: string }
  spot: FigureSpot
  others: FigureSpot[]
}>()
const emit = defineEmits<{ close: [] }>()
</script>

<template>
  <AskDialog :title="landmark.name" :open @close="emit('close')">
    <div class="h-[60vh]">
      <BodyFigure :view="spot.view" :current="spot" :others :label="landmark.text" />
    </div>
    <p class="py-3">
      {{ t('checkIn.textCaption', { text: landmark.text, caption: landmark.caption }) }}
    </p>
    <button type="button" class="button" @click="emit('close')">{{ t('checkIn.close') }}</button>
  </AskDialog>
</template>

<script setup lang="ts">
import type { Photo } from '#shared/contract/photos'

/** Two pictures of one view, laid over one another by crown and floor. */
const props = defineProps<{ then: Photo; now: Photo; layout: 'side' | 'slider' }>()

const FRAME = { width: 340, height: 560 }
const share = ref(50)

const unmarked = computed(() =>
  [props.then, props.now].some(({ crown, groundPoint }) => !crown || !groundPoint),
)
const size = { aspectRatio: `${FRAME.width} / ${FRAME.height}`, maxWidth: `${FRAME.width}px` }
</script>

<template>
  <div data-test="compare">
    <p v-if="unmarked" class="pb-2">
      {{ t('photos.markCrownFloorBothThey') }}
    </p>
    <div v-if="layout === 'side'" class="flex flex-wrap gap-4">
      <figure v-for="photo in [then, now]" :key="photo.id" class="w-[340px] max-w-[47%]">
        <div class="relative overflow-hidden bg-board" :style="size">
          <PhotoInFrame :photo :frame="FRAME" />
        </div>
        <figcaption class="pt-1">{{ formatDate(photo.takenOn, true) }}</figcaption>
      </figure>
    </div>
    <div v-else class="max-w-[340px]">
      <div class="relative overflow-hidden bg-board" :style="size">
        <PhotoInFrame :photo="then" :frame="FRAME" />
        <div
          class="absolute inset-0 overflow-hidden bg-board"
          :style="{ clipPath: `inset(0 0 0 ${share}%)` }"
        >
          <PhotoInFrame :photo="now" :frame="FRAME" />
        </div>
        <span class="absolute inset-y-0 w-0.5 bg-clay" :style="{ left: `${share}%` }" />
      </div>
      <label class="block pt-2">
        <span class="flex justify-between">
          <span>{{ formatDate(then.takenOn, true) }}</span>
          <span>{{ formatDate(now.takenOn, true) }}</span>
        </span>
        <span class="sr-only">{{ t('photos.howMuchLaterPictureShown') }}</span>
        <input
          v-model.number="share"
          type="range"
          min="0"
          max="100"
          class="h-11 w-full accent-leaf"
        />
      </label>
    </div>
  </div>
</template>

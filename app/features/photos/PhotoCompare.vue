<script setup lang="ts">
import { alignedIn, formatDate } from '#core'
import type { Photo } from '#shared/contract/photos'

/** Two pictures of one view, laid over one another by crown and floor. */
const props = defineProps<{ then: Photo; now: Photo; layout: 'side' | 'slider' }>()

const FRAME = { width: 340, height: 560 }
const share = ref(50)

function placed(photo: Photo) {
  const { crown, groundPoint } = photo
  const at = crown && groundPoint ? alignedIn({ ...photo, crown, groundPoint }, FRAME) : undefined
  if (!at) return { inset: 0, width: '100%', height: '100%', objectFit: 'contain' as const }
  const part = (px: number, of: number) => `${(100 * px) / of}%`
  return {
    left: part(at.left, FRAME.width),
    top: part(at.top, FRAME.height),
    width: part(at.width, FRAME.width),
    height: part(at.height, FRAME.height),
    maxWidth: 'none',
  }
}
const unmarked = computed(() =>
  [props.then, props.now].some(({ crown, groundPoint }) => !crown || !groundPoint),
)
const name = (photo: Photo) => `From the ${photo.view}, ${formatDate(photo.takenOn, true)}`
const size = { aspectRatio: `${FRAME.width} / ${FRAME.height}`, maxWidth: `${FRAME.width}px` }
</script>

<template>
  <div data-test="compare">
    <p v-if="unmarked" class="pb-2">
      Mark crown and floor on both, and they stand at the same height and place.
    </p>
    <div v-if="layout === 'side'" class="flex flex-wrap gap-4">
      <figure v-for="photo in [then, now]" :key="photo.id" class="w-[340px] max-w-[47%]">
        <div class="relative overflow-hidden bg-board" :style="size">
          <img
            :src="`/api/photos/${photo.id}`"
            :alt="name(photo)"
            class="absolute"
            :style="placed(photo)"
          />
        </div>
        <figcaption class="pt-1">{{ formatDate(photo.takenOn, true) }}</figcaption>
      </figure>
    </div>
    <div v-else class="max-w-[340px]">
      <div class="relative overflow-hidden bg-board" :style="size">
        <img
          :src="`/api/photos/${then.id}`"
          :alt="name(then)"
          class="absolute"
          :style="placed(then)"
        />
        <div
          class="absolute inset-0 overflow-hidden bg-board"
          :style="{ clipPath: `inset(0 0 0 ${share}%)` }"
        >
          <img
            :src="`/api/photos/${now.id}`"
            :alt="name(now)"
            class="absolute"
            :style="placed(now)"
          />
        </div>
        <span class="absolute inset-y-0 w-0.5 bg-clay" :style="{ left: `${share}%` }" />
      </div>
      <label class="block pt-2">
        <span class="flex justify-between">
          <span>{{ formatDate(then.takenOn, true) }}</span>
          <span>{{ formatDate(now.takenOn, true) }}</span>
        </span>
        <span class="sr-only">How much of the later picture is shown</span>
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

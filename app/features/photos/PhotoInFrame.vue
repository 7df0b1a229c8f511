<script setup lang="ts">
import { alignedIn } from '#core'
import type { Photo } from '#shared/contract/photos'

/** A picture put into the frame by its crown and floor, so that two of them lie over one another. */
const props = defineProps<{ photo: Photo; frame: { width: number; height: number } }>()

const placed = computed(() => {
  const { photo, frame } = props
  const { crown, groundPoint } = photo
  const at = crown && groundPoint ? alignedIn({ ...photo, crown, groundPoint }, frame) : undefined
  if (!at) return { inset: 0, width: '100%', height: '100%', objectFit: 'contain' as const }
  const part = (px: number, of: number) => `${(100 * px) / of}%`
  return {
    left: part(at.left, frame.width),
    top: part(at.top, frame.height),
    width: part(at.width, frame.width),
    height: part(at.height, frame.height),
    maxWidth: 'none',
  }
})
</script>

<template>
  <img
    :src="`/api/photos/${photo.id}`"
    :alt="
      t('photos.fromViewTakenon', {
        view: viewName(photo.view),
        takenOn: formatDate(photo.takenOn, true),
      })
    "
    class="absolute"
    :style="placed"
  />
</template>

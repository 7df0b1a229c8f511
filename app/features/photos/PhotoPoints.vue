<script setup lang="ts">
import type { Photo, PhotoPoint } from '#shared/contract/photos'
import { photos } from '~/contract'

/** Crown and floor of one picture, each by a tap. */
const props = defineProps<{ photo: Photo }>()
const emit = defineEmits<{ kept: [photos: Photo[]] }>()

const crown = ref<PhotoPoint | null>(props.photo.crown)
const groundPoint = ref<PhotoPoint | null>(props.photo.groundPoint)
const { trouble, submit } = useSubmit()
const kept = ref(!!props.photo.crown && !!props.photo.groundPoint)
const next = computed(() => (!crown.value ? 'crown' : !groundPoint.value ? 'floor' : undefined))

async function tap(event: MouseEvent) {
  const { left, top, width, height } = (event.currentTarget as HTMLElement).getBoundingClientRect()
  const point = {
    x: Math.min(1, Math.max(0, (event.clientX - left) / width)),
    y: Math.min(1, Math.max(0, (event.clientY - top) / height)),
  }
  if (!crown.value) crown.value = point
  else if (!groundPoint.value) {
    groundPoint.value = point
    await keep()
  }
}
/** By the keyboard the usual places are taken: crown at the top, floor at the bottom, a little inside. */
function usual() {
  crown.value = { x: 0.5, y: 0.05 }
  groundPoint.value = { x: 0.5, y: 0.97 }
  void keep()
}
async function keep() {
  const body = { crown: crown.value, groundPoint: groundPoint.value }
  const all = await submit(() =>
    callApi(photos.setPoints, { params: { id: props.photo.id }, body }),
  )
  if (!all) return void (groundPoint.value = null)
  emit('kept', all)
  kept.value = true
}
function again() {
  crown.value = null
  groundPoint.value = null
  kept.value = false
}
const marked = computed(() =>
  [
    { name: t('photos.crown'), point: crown.value },
    { name: t('photos.floor'), point: groundPoint.value },
  ].flatMap(({ name, point }) => (point ? [{ name, ...point }] : [])),
)
</script>

<template>
  <div>
    <p role="status" class="min-h-8 font-bold">
      {{
        next
          ? t(next === 'crown' ? 'photos.tapCrown' : 'photos.tapFloor')
          : kept
            ? t('photos.crownFloorMarked')
            : t('photos.storing')
      }}
    </p>
    <button
      type="button"
      class="relative block w-full max-w-80 cursor-crosshair"
      :aria-label="
        t(
          next === 'crown'
            ? 'photos.pictureTapCrown'
            : next
              ? 'photos.pictureTapFloor'
              : 'photos.pictureMarked',
          { view: viewName(photo.view) },
        )
      "
      @click="tap"
    >
      <img :src="`/api/photos/${photo.id}`" alt="" class="block w-full" />
      <span
        v-for="mark in marked"
        :key="mark.name"
        class="absolute h-0.5 w-full -translate-y-1/2 bg-clay"
        :style="{ left: 0, top: `${mark.y * 100}%` }"
      >
        <span
          class="absolute top-1/2 size-4 -translate-1/2 rounded-full border-2 border-clay bg-white"
          :style="{ left: `${mark.x * 100}%` }"
        />
        <span class="absolute bottom-1 left-1 bg-chalk px-1 text-sm text-ink">{{ mark.name }}</span>
      </span>
    </button>
    <div class="flex flex-wrap gap-2 pt-2">
      <button v-if="marked.length" type="button" class="button" @click="again">
        {{ t('photos.markAgain') }}
      </button>
      <button v-else type="button" class="button" @click="usual">
        {{ t('photos.topBottomEdge') }}
      </button>
    </div>
    <AlertLine :text="trouble" />
  </div>
</template>

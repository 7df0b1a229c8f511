<script setup lang="ts">
import { v4 as newId } from 'uuid'
import { PHOTO_VIEWS, type PhotoView } from '#shared/contract/choices'
import type { MyPage } from '#shared/contract/client-side'
import { forgetPhoto, keepPhoto } from './my-store'
import type { ReportDraft } from './report-draft'

/**
 * Three photos under the same conditions: last time's stands faintly over the camera's picture. Only what the phone has
 * drawn anew is kept, so that place, time and model do not come along.
 */
const props = defineProps<{ last: MyPage['photos'] }>()
const photos = defineModel<ReportDraft['photos']>({ required: true })

const { trouble, submit } = useSubmit()
const taken = (view: PhotoView) => photos.value.find((photo) => photo.view === view)
const lastOf = (view: PhotoView | undefined) => props.last.find((photo) => photo.view === view)

async function keep(view: PhotoView, source: Blob | HTMLVideoElement) {
  await submit(async () => {
    const picture = await plainPicture(source)
    const id = newId()
    await keepPhoto({ id, view, ...picture })
    const before = taken(view)
    photos.value = [...photos.value.filter((photo) => photo.view !== view), { id, view }]
    if (before) await forgetPhoto(before.id)
  })
}
const video = useTemplateRef<HTMLVideoElement>('video')
const { able, filming, film, stop, shoot, onFile } = useCamera(video, keep, () => {
  able.value = false
  trouble.value = t('photos.cameraCannotHadChoosePicture')
})
</script>

<template>
  <section data-test="shots">
    <h3 class="text-xl">{{ t('my.photos') }}</h3>
    <p class="text-faded">{{ t('my.photosHow') }}</p>
    <ul>
      <li
        v-for="view in PHOTO_VIEWS"
        :key="view"
        class="flex flex-wrap items-center gap-3 border-b border-line py-1"
      >
        <span class="flex-1">
          {{ viewName(view) }}
          <strong v-if="taken(view)" class="text-leaf">✓ {{ t('my.taken') }}</strong>
        </span>
        <button v-if="able" type="button" class="button" @click="((trouble = ''), film(view))">
          {{ t('photos.take') }} <span class="sr-only">{{ viewName(view) }}</span>
        </button>
        <label class="button cursor-pointer focus-within:outline-3 focus-within:outline-leaf">
          {{ t('photos.choose') }}
          <input
            type="file"
            accept="image/jpeg,image/png,image/webp"
            class="sr-only"
            :aria-label="t('photos.chooseView', { view: viewName(view) })"
            @change="onFile(view, $event)"
          />
        </label>
      </li>
    </ul>
    <AlertLine :text="trouble" />
    <AskDialog :title="viewName(filming ?? 'front')" :open="filming !== undefined" @close="stop">
      <div class="relative">
        <video ref="video" class="w-full bg-ink" playsinline muted />
        <img
          v-if="lastOf(filming)"
          :src="`/api/my/photos/${lastOf(filming)!.id}`"
          :alt="t('my.lastTime')"
          class="absolute inset-0 size-full object-contain opacity-35"
        />
      </div>
      <p v-if="lastOf(filming)" class="pt-2">{{ t('my.standInOutline') }}</p>
      <div class="flex gap-3 pt-3">
        <button type="button" class="button button-lead" data-first @click="shoot">
          {{ t('photos.take') }}
        </button>
        <button type="button" class="button" @click="stop">{{ t('photos.noPicture') }}</button>
      </div>
    </AskDialog>
  </section>
</template>

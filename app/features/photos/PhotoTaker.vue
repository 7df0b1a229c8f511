<script setup lang="ts">
import { isoDateOf } from '#core'
import { v4 as newId } from 'uuid'
import { PHOTO_VIEWS, type PhotoView } from '#shared/contract/choices'
import type { Photo } from '#shared/contract/photos'
import { photos } from '~/contract'

/** Takes or chooses a picture of each view. Only what the browser has drawn anew leaves it. */
const props = defineProps<{ clientId: string; takenOn?: string }>()
const emit = defineEmits<{ kept: [photos: Photo[]] }>()

const takenOn = ref(props.takenOn ?? isoDateOf(new Date()))
const { busy, trouble, done, submit } = useSubmit()

async function keep(view: PhotoView, source: Blob | HTMLVideoElement) {
  const all = await submit(
    async () => {
      const { blob, width, height } = await plainPicture(source)
      const query = { id: newId(), view, takenOn: takenOn.value, width, height }
      return callApi(photos.add, { params: { id: props.clientId }, query, file: blob })
    },
    t('photos.viewSaved', { view: viewName(view) }),
  )
  if (all) emit('kept', all)
}
const video = useTemplateRef<HTMLVideoElement>('video')
const { able, filming, film, stop, shoot, onFile } = useCamera(
  video,
  keep,
  () => (trouble.value = t('photos.cameraCannotHadChoosePicture')),
)
</script>

<template>
  <div>
    <ul class="list-disc pl-5">
      <li>{{ t('photos.sameClothesLightWallDistance') }}</li>
      <li>
        {{ t('photos.cameraAtHeightNavelWhole') }}
      </li>
      <li>{{ t('photos.feetHipWideMarkArms') }}</li>
      <li>{{ t('photos.onlyClientSConsentThey') }}</li>
    </ul>
    <TextField
      id="taken-on"
      v-model="takenOn"
      :label="t('photos.taken')"
      class="max-w-52 pt-3"
      type="date"
    />
    <div class="grid gap-3 pt-3 sm:grid-cols-3">
      <fieldset v-for="view in PHOTO_VIEWS" :key="view" class="border-2 border-line bg-board p-3">
        <legend class="px-1 text-lg font-bold">{{ viewName(view) }}</legend>
        <div class="flex flex-wrap gap-2">
          <label class="button cursor-pointer sm:hidden">
            {{ t('photos.take') }}
            <input
              type="file"
              accept="image/*"
              capture="environment"
              class="sr-only"
              :disabled="busy"
              @change="onFile(view, $event)"
            />
          </label>
          <button
            v-if="able"
            type="button"
            class="button max-sm:hidden!"
            :disabled="busy"
            @click="((trouble = ''), film(view))"
          >
            {{ t('photos.take') }}
          </button>
          <label class="button cursor-pointer focus-within:outline-3 focus-within:outline-leaf">
            {{ t('photos.choose') }}
            <input
              type="file"
              accept="image/jpeg,image/png,image/webp"
              class="sr-only"
              :aria-label="t('photos.chooseView', { view: viewName(view) })"
              :disabled="busy"
              @change="onFile(view, $event)"
            />
          </label>
        </div>
      </fieldset>
    </div>
    <p role="status" class="pt-2">{{ busy ? t('photos.storing') : done }}</p>
    <AlertLine :text="trouble" />
    <AskDialog :title="viewName(filming ?? 'front')" :open="filming !== undefined" @close="stop">
      <video ref="video" class="w-full bg-ink" playsinline muted />
      <div class="flex gap-3 pt-3">
        <button type="button" class="button button-lead" data-first @click="shoot">
          {{ t('photos.take') }}
        </button>
        <button type="button" class="button" @click="stop">{{ t('photos.noPicture') }}</button>
      </div>
    </AskDialog>
  </div>
</template>

<script setup lang="ts">
import { formatDate } from '#core'
import { z } from 'zod'
import { PHOTO_VIEWS, photoSchema, type Photo } from '#shared/contract/photos'

const { id, view, error, patch } = await useClientView('photos')

const api = useApi()
const photos = computed(() => view.value.photos)
const dates = computed(() => [...new Set(photos.value.map(({ takenOn }) => takenOn))].sort())
const side = ref<(typeof PHOTO_VIEWS)[number]>('front')
const of = (date: string | undefined) =>
  photos.value.find((p) => p.takenOn === date && p.view === side.value)

/** The two ends that are compared, and which of the dates each is at first. */
const ENDS = [
  { id: 'then', at: -2 },
  { id: 'now', at: -1 },
] as const
const chosen = reactive<{ then?: string; now?: string }>({})
const then = computed(() => of(chosen.then ?? dates.value.at(-2)))
const now = computed(() => of(chosen.now ?? dates.value.at(-1)))
const layout = ref<'side' | 'slider'>('side')

const views = PHOTO_VIEWS.map((value) => ({ value, name: value }))
const layouts = [
  { value: 'side' as const, name: 'side by side' },
  { value: 'slider' as const, name: 'under a slider' },
]
const marking = ref<Photo>()
const trouble = ref('')
function kept(all: Photo[]) {
  patch({ photos: all })
}
async function remove(photo: Photo) {
  trouble.value = ''
  try {
    kept(await api.delete(`/api/photos/${photo.id}`, z.array(photoSchema)))
  } catch (failure) {
    trouble.value = (failure as Error).message
  }
}
</script>

<template>
  <ClientPage :view="view" :error="error">
    <template v-if="photos.length">
      <div class="flex flex-wrap items-end gap-x-5 gap-y-3 pb-4">
        <ChoiceRow v-model="side" label="View" hide-label :options="views" />
        <FieldRow v-for="end in ENDS" :id="end.id" :key="end.id" :label="end.id">
          <select
            :id="end.id"
            class="field w-auto!"
            :value="chosen[end.id] ?? dates.at(end.at)"
            @change="chosen[end.id] = ($event.target as HTMLSelectElement).value"
          >
            <option v-for="date in dates" :key="date" :value="date">
              {{ formatDate(date, true) }}
            </option>
          </select>
        </FieldRow>
        <ChoiceRow v-model="layout" label="Layout" hide-label :options="layouts" />
      </div>
      <PhotoCompare
        v-if="then && now && then.id !== now.id"
        :then="then"
        :now="now"
        :layout="layout"
      />
      <p v-else class="text-lg">
        {{
          now
            ? `There is one picture from the ${side} so far.`
            : `No picture from the ${side} on that day.`
        }}
      </p>
      <ul class="flex flex-wrap gap-2 pt-3 print:hidden">
        <li v-for="photo in [then, now].filter((p) => p !== undefined)" :key="photo.id">
          <button type="button" class="button" @click="marking = photo">
            {{ photo.crown && photo.groundPoint ? 'Mark again' : 'Mark crown and floor' }},
            {{ formatDate(photo.takenOn) }}
          </button>
          <button type="button" class="min-h-11 px-3 text-clay underline" @click="remove(photo)">
            delete<span class="sr-only"> the picture of {{ formatDate(photo.takenOn, true) }}</span>
          </button>
        </li>
      </ul>
      <p v-if="trouble" role="alert" class="pt-2 font-bold text-clay">{{ trouble }}</p>
    </template>
    <p v-else class="pb-3 text-lg">No photos yet.</p>
    <section class="pt-6 print:hidden">
      <h2 class="border-b-2 border-ink pb-1 text-xl">Take or choose</h2>
      <PhotoTaker :client-id="id" class="pt-3" @kept="kept" />
    </section>
    <AskDialog title="Crown and floor" :open="marking !== undefined" @close="marking = undefined">
      <PhotoPoints v-if="marking" :key="marking.id" :photo="marking" @kept="kept" />
      <button type="button" class="button mt-3" @click="marking = undefined">Done</button>
    </AskDialog>
  </ClientPage>
</template>

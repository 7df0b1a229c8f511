<script setup lang="ts">
import { PHOTO_VIEWS } from '#shared/contract/choices'
import type { Photo } from '#shared/contract/photos'
import { photos as routes } from '~/contract'

await breathe()

const { id, view, error, data } = await useClientPart('client.photos', routes.list)

const photos = computed(() => data.value ?? [])
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
  { value: 'side' as const, name: t('photos.sideSide') },
  { value: 'slider' as const, name: t('photos.underSlider') },
]
const marking = ref<Photo>()
const { trouble, submit } = useSubmit()
function kept(all: Photo[] | undefined) {
  if (all) data.value = all
}
const remove = async (photo: Photo) =>
  kept(await submit(() => callApi(routes.remove, { params: { id: photo.id } })))
</script>

<template>
  <ClientPage :view :error>
    <template v-if="photos.length">
      <InTurn>
        <div class="flex flex-wrap items-end gap-x-5 gap-y-3 pb-4">
          <ChoiceRow v-model="side" :label="t('photos.view')" hide-label :options="views" />
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
          <ChoiceRow v-model="layout" :label="t('photos.layout')" hide-label :options="layouts" />
        </div>
      </InTurn>
      <InTurn v-if="then && now && then.id !== now.id">
        <PhotoCompare :then :now :layout />
      </InTurn>
      <p v-else class="text-lg">
        {{
          now
            ? t('photos.thereOnePictureFromSide', { side })
            : t('photos.noPictureFromSideDay', { side })
        }}
      </p>
      <ul class="flex flex-wrap gap-2 pt-3 print:hidden">
        <li v-for="photo in [then, now].filter((p) => p !== undefined)" :key="photo.id">
          <button type="button" class="button" @click="marking = photo">
            {{
              photo.crown && photo.groundPoint ? t('photos.markAgain') : t('photos.markCrownFloor')
            }},
            {{ formatDate(photo.takenOn) }}
          </button>
          <button type="button" class="min-h-11 px-3 text-clay underline" @click="remove(photo)">
            {{ t('client.delete')
            }}<span class="sr-only">
              {{ t('photos.pictureTakenon', { takenOn: formatDate(photo.takenOn, true) }) }}</span
            >
          </button>
        </li>
      </ul>
      <AlertLine :text="trouble" />
    </template>
    <p v-else class="pb-3 text-lg">{{ t('photos.noPhotosYet') }}</p>
    <InTurn unasked>
      <section class="pt-6 print:hidden">
        <h2 class="border-b-2 border-ink pb-1 text-xl">{{ t('photos.takeOrChoose') }}</h2>
        <PhotoTaker :client-id="id" class="pt-3" @kept="kept" />
      </section>
    </InTurn>
    <AskDialog
      :title="t('photos.crownFloor')"
      :open="marking !== undefined"
      @close="marking = undefined"
    >
      <PhotoPoints v-if="marking" :key="marking.id" :photo="marking" @kept="kept" />
      <button type="button" class="button mt-3" @click="marking = undefined">
        {{ t('photos.done') }}
      </button>
    </AskDialog>
  </ClientPage>
</template>

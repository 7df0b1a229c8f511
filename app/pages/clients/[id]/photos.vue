<script setup lang="ts">
import { PHOTO_VIEWS } from '#shared/contract/choices'
import type { Photo } from '#shared/contract/photos'
import { photos as routes } from '~/contract'

await breathe()

const { id, view, error, data } = await useClientPart('client.photos', routes.list)

const photos = computed(() => data.value ?? [])
const side = ref<(typeof PHOTO_VIEWS)[number]>('front')
/** The pictures of the chosen view, oldest first; a day may have several. */
const ofView = computed(() =>
  photos.value
    .filter(({ view: of }) => of === side.value)
    .sort((a, b) => a.takenOn.localeCompare(b.takenOn)),
)
const options = computed(() =>
  ofView.value.map(({ id: value, takenOn }) => {
    const sameDay = ofView.value.filter((p) => p.takenOn === takenOn)
    const day = formatDate(takenOn, true)
    const nth = sameDay.findIndex((p) => p.id === value) + 1
    const several = sameDay.length > 1
    return { value, name: several ? t('photos.nth', { day, nth, count: sameDay.length }) : day }
  }),
)

/** The two ends that are compared, and which of the pictures each is at first. */
const ENDS = [
  { id: 'then', label: t('photos.before'), at: -2 },
  { id: 'now', label: t('photos.after'), at: -1 },
] as const
const chosen = reactive<{ then?: string; now?: string }>({})
const of = (end: 'then' | 'now', at: number) =>
  ofView.value.find((p) => p.id === chosen[end]) ?? ofView.value.at(at)
const then = computed(() => of('then', -2))
const now = computed(() => of('now', -1))
const shown = computed(() => [...new Set([then.value, now.value])].filter((p) => p !== undefined))
const layout = ref<'side' | 'slider'>('side')

const views = PHOTO_VIEWS.map((value) => ({ value, name: viewName(value) }))
const layouts = [
  { value: 'side' as const, name: t('photos.sideSide') },
  { value: 'slider' as const, name: t('photos.underSlider') },
]
const marking = ref<Photo>()
const { trouble, submit } = useSubmit()
function kept(all: Photo[] | undefined) {
  if (all) data.value = all
}
const { say } = useSaid()
async function remove(photo: Photo) {
  const params = { id: photo.id }
  const left = await submit(() => callApi(routes.remove, { params }))
  kept(left)
  if (!left) return
  const said = { view: viewName(photo.view), day: formatDate(photo.takenOn, true) }
  say(t('photos.deleted', said), async () =>
    kept(await submit(() => callApi(routes.restore, { params }))),
  )
}
</script>

<template>
  <ClientPage :view :error>
    <template v-if="photos.length">
      <InTurn>
        <div class="flex flex-wrap items-end gap-x-5 gap-y-3 pb-4">
          <ChoiceRow v-model="side" :label="t('photos.view')" hide-label :options="views" />
          <FieldRow v-for="end in ENDS" :id="end.id" :key="end.id" :label="end.label">
            <select
              :id="end.id"
              class="field w-auto!"
              :value="of(end.id, end.at)?.id"
              @change="chosen[end.id] = ($event.target as HTMLSelectElement).value"
            >
              <option v-for="option in options" :key="option.value" :value="option.value">
                {{ option.name }}
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
            ? t('photos.thereOnePictureFromSide', { side: viewName(side) })
            : t('photos.noPictureFromSideDay', { side: viewName(side) })
        }}
      </p>
      <ul class="flex flex-wrap gap-2 pt-3 print:hidden">
        <li v-for="photo in shown" :key="photo.id">
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
    </template>
    <p v-else class="pb-3 text-lg">{{ t('photos.noPhotosYet') }}</p>
    <AlertLine :text="trouble" />
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

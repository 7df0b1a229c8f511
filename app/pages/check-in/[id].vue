<script setup lang="ts">
import type { Component } from 'vue'
import { sitesOf } from '#core'

definePageMeta({ layout: false })

/** A caliper or tape that types, while no stage has a field for it. */
const sent = listenToInstruments()

const STAGES = [
  ...(['ready', 'landmarks', 'folds', 'tape', 'bones', 'scale', 'photos'] as const),
  ...(['read-back', 'result'] as const),
]
type Stage = (typeof STAGES)[number]

const route = useRoute()
const router = useRouter()
const store = useCheckInStore()
const { client, checkIn, next, nextTape, nextBones, protocol, trouble } = storeToRefs(store)

/**
 * Every stage but the first is loaded once the first stands: not waited for, and there before anybody can be done with
 * it, so that none is missing when the server is away and no key falls between two stages.
 */
const LATER = {
  landmarks: () => import('~/features/check-in/LandmarkStage.vue'),
  site: () => import('~/features/check-in/SiteStage.vue'),
  scale: () => import('~/features/check-in/ScaleStage.vue'),
  photos: () => import('~/features/check-in/PhotoStage.vue'),
  readBack: () => import('~/features/check-in/ReadBackStage.vue'),
  result: () => import('~/features/check-in/ResultStage.vue'),
}
type Later = keyof typeof LATER
const later = shallowReactive<Partial<Record<Later, Component>>>({})
async function load(name: Later) {
  later[name] ??= await loadedPart<Component>(LATER[name])
}
function loadAll() {
  for (const name of Object.keys(LATER) as Later[]) load(name).catch(() => {})
}

const stage = ref<Stage>()
const opened = ref(false)

/* The stage is part of the address: the browser's Back leads to the stage before and not out of the check-in. */
const stageInAddress = () => STAGES.find((name) => name === route.query.stage)
let going = false
/** One after the other: two stages in quick succession are two steps back, and none is passed over. */
let followed = Promise.resolve()
function go(to: Stage) {
  const from = stage.value
  stage.value = to
  followed = followed.catch(() => {}).then(() => follow(from, to))
}
async function follow(from: Stage | undefined, to: Stage) {
  going = true
  // The address that the check-in was opened by says no stage; it does from now on, to come back to.
  if (!stageInAddress()) await router.replace({ query: { stage: from } })
  if (stageInAddress() !== to) await router.push({ query: { stage: to } })
  going = false
}
watch(
  stageInAddress,
  (to) => {
    if (to && opened.value && !going) stage.value = to
  },
  { flush: 'sync' },
)

usePageTitle(() => client.value?.name ?? t('checkIn.checkIn'))

/** The first stage with something left to measure, or the result. */
function stageOfMissing(): Stage {
  if (next.value) return 'folds'
  if (nextTape.value) return 'tape'
  if (nextBones.value) return 'bones'
  return store.sheet?.subject.massKg === undefined ? 'scale' : 'result'
}

/** Where the work stands. What is closed opens where its values can be corrected. */
function stageOfWork(): Stage {
  if (checkIn.value?.closedAt != null) return 'read-back'
  return store.readings.length === 0 ? 'ready' : stageOfMissing()
}

onMounted(async () => {
  await store.open(String(route.params.id))
  if (checkIn.value) {
    const asked = stageInAddress()
    stage.value = stages.value.some(({ id }) => id === asked) ? asked! : stageOfWork()
  }
  opened.value = true
  if (stage.value === 'ready') afterPaint(loadAll)
  else loadAll()
})

// What could not be loaded is asked for again; the first stage does not wait for any other.
watch(stage, (_, before) => before && loadAll())
onBeforeUnmount(() => store.leave())

/** The stages of this protocol, in the order of the work. */
const stages = computed(() => {
  const { folds, girths, bones } = protocol.value
  const { sex } = client.value!
  const weighed = store.sheet?.subject.massKg !== undefined
  const all: { id: Stage; name: string; done: boolean; wanted: boolean }[] = [
    { id: 'ready', name: t('checkIn.ready'), done: store.readings.length > 0, wanted: true },
    {
      id: 'landmarks',
      name: t('checkIn.landmarks2'),
      done: store.readings.length > 0,
      wanted: sitesOf(protocol.value, sex).length > 0,
    },
    { id: 'folds', name: t('checkIn.folds'), done: !next.value, wanted: folds[sex].length > 0 },
    {
      id: 'tape',
      name: t('checkIn.tape'),
      done: girths[sex].length > 0 && !nextTape.value,
      wanted: true,
    },
    {
      id: 'bones',
      name: t('checkIn.bones'),
      done: !nextBones.value,
      wanted: bones[sex].length > 0,
    },
    { id: 'scale', name: t('checkIn.scale'), done: weighed, wanted: true },
    { id: 'photos', name: t('checkIn.photos'), done: false, wanted: true },
    { id: 'read-back', name: t('checkIn.readBack'), done: false, wanted: true },
    {
      id: 'result',
      name: t('checkIn.result2'),
      done: checkIn.value?.closedAt != null,
      wanted: true,
    },
  ]
  return all.filter(({ wanted }) => wanted)
})

/**
 * On to the stage after this one. Photos, and the tape where the protocol has no girths, are for who wants them: nobody
 * is led there.
 */
function goOn() {
  const at = stages.value.findIndex(({ id }) => id === stage.value)
  const asked = (id: Stage) =>
    id !== 'photos' && (id !== 'tape' || protocol.value.girths[client.value!.sex].length > 0)
  go(stages.value.slice(at + 1).find(({ id }) => asked(id))?.id ?? 'result')
}
</script>

<template>
  <div class="flex min-h-dvh flex-col">
    <CheckInRail v-if="client" :model-value="stage" :stages @update:model-value="go($event!)" />
    <main v-if="opened && checkIn && client" class="flex flex-1 flex-col">
      <h1 class="sr-only">{{ t('checkIn.checkName', { name: client.name }) }}</h1>
      <SentLine v-if="sent?.is === 'unplaced'" :sent class="px-4 pt-3 sm:px-6" />
      <ReadyStage v-if="stage === 'ready'" @begin="goOn" />
      <component :is="later.landmarks" v-else-if="stage === 'landmarks'" @done="goOn" />
      <component
        :is="later.site"
        v-else-if="stage === 'folds' || stage === 'tape' || stage === 'bones'"
        :key="stage"
        :kind="stage"
        @done="goOn"
      />
      <component :is="later.scale" v-else-if="stage === 'scale'" @done="goOn" />
      <component :is="later.photos" v-else-if="stage === 'photos'" @done="goOn" />
      <component
        :is="later.readBack"
        v-else-if="stage === 'read-back'"
        @done="goOn"
        @go="(to: Stage | undefined) => go(to ?? stageOfMissing())"
      />
      <component
        :is="later.result"
        v-else-if="stage === 'result'"
        @go="(to: Stage | undefined) => go(to ?? stageOfMissing())"
      />
    </main>
    <main v-else-if="trouble" class="mx-auto max-w-xl p-6">
      <h1 class="pb-3 text-3xl">{{ t('checkIn.thisCheckCannotShown') }}</h1>
      <p class="pb-5">{{ trouble }}</p>
      <NuxtLink to="/" class="button">{{ t('checkIn.backToday') }}</NuxtLink>
    </main>
    <p v-else class="p-6 text-faded" role="status">{{ t('checkIn.openingCheck') }}</p>
  </div>
</template>

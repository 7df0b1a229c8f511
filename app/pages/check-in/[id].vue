<script setup lang="ts">
definePageMeta({ layout: false })

type Stage = 'ready' | 'folds' | 'scale' | 'result'

const route = useRoute()
const store = useCheckInStore()
const { client, checkIn, next, trouble } = storeToRefs(store)

const stage = ref<Stage>()
const opened = ref(false)

useHead({ title: () => `${client.value?.name ?? 'Check-in'} · Oak Pinch` })

/** Where the work stands: the first stage that is not done. */
function stageOfWork(): Stage {
  if (store.readings.length === 0) return 'ready'
  if (next.value) return 'folds'
  return store.sheet?.subject.massKg === undefined ? 'scale' : 'result'
}

onMounted(async () => {
  await store.open(String(route.params.id))
  stage.value = stageOfWork()
  opened.value = true
})

onBeforeUnmount(() => store.reset())

const stages = computed(() => [
  { id: 'ready' as const, name: 'Ready', done: store.readings.length > 0 },
  { id: 'folds' as const, name: 'Folds', done: !next.value },
  { id: 'scale' as const, name: 'Scale', done: store.sheet?.subject.massKg !== undefined },
  { id: 'result' as const, name: 'Result', done: checkIn.value?.closedAt != null },
])
</script>

<template>
  <div class="flex min-h-dvh flex-col">
    <CheckInRail v-if="client" v-model="stage" :stages="stages" />
    <main v-if="opened && checkIn && client" class="flex flex-1 flex-col">
      <h1 class="sr-only">Check-in of {{ client.name }}</h1>
      <ReadyStage v-if="stage === 'ready'" @begin="stage = 'folds'" />
      <FoldStage v-else-if="stage === 'folds'" @done="stage = 'scale'" />
      <ScaleStage v-else-if="stage === 'scale'" @done="stage = 'result'" />
      <ResultStage v-else-if="stage === 'result'" @go="stage = $event" />
    </main>
    <main v-else-if="trouble" class="mx-auto max-w-xl p-6">
      <h1 class="pb-3 text-3xl">This check-in cannot be shown</h1>
      <p class="pb-5">{{ trouble }}</p>
      <NuxtLink to="/" class="button">Back to Today</NuxtLink>
    </main>
    <p v-else class="p-6 text-faded" role="status">Opening the check-in…</p>
  </div>
</template>

<script setup lang="ts" generic="S extends string">
defineProps<{ stages: { id: S; name: string; done: boolean }[] }>()
const stage = defineModel<S | undefined>({ required: true })

const store = useCheckInStore()
const {
  client,
  checkIn,
  protocol,
  waiting,
  waitingReadings,
  keptReadings,
  setAside,
  reachable,
  waitsFor,
  unkept,
} = storeToRefs(store)

/** On a phone the stages scroll: the one in hand stays in sight. */
const rail = useTemplateRef<HTMLElement>('rail')
function follow() {
  const box = rail.value
  const now = box?.querySelector<HTMLElement>('[aria-current]')
  if (box && now) box.scrollLeft = now.offsetLeft - (box.clientWidth - now.offsetWidth) / 2
}
watch(stage, () => nextTick(follow))
onMounted(follow)

/** Where the readings are: the coach should be able to walk away from the screen knowing. */
const safety = computed(() => {
  const inWords = (count: number) => t('checkIn.readings', { count })
  const count = waitingReadings.value.length
  if (setAside.value.length) return { word: '', calm: false }
  if (unkept.value && waiting.value.length) {
    return { word: t('checkIn.notKeptHere', { readings: inWords(count) }), calm: false }
  }
  if (!reachable.value) {
    const kept = keptReadings.value.length
    if (waitsFor.value) {
      const readings = inWords(kept)
      return { word: t('checkIn.keptHereUntil', { readings, why: waitsFor.value }), calm: false }
    }
    const word = kept
      ? t('checkIn.keptHere', { readings: inWords(kept) })
      : t('checkIn.serverOutReach')
    return { word, calm: false }
  }
  if (count) return { word: t('checkIn.storingReadings', { readings: inWords(count) }), calm: true }
  return { word: waiting.value.length ? t('checkIn.storing') : t('checkIn.allStored'), calm: true }
})
const looking = ref(false)
</script>

<template>
  <header class="bg-oak pt-[env(safe-area-inset-top)] text-chalk">
    <div class="flex min-h-[60px] flex-wrap items-center gap-x-6 px-4 sm:px-6">
      <NuxtLink to="/" class="figure hidden text-[26px] sm:block">{{
        t('common.oakPinch')
      }}</NuxtLink>
      <p class="min-w-0 flex-1 pt-2 sm:pt-0">
        <NuxtLink :to="`/clients/${client!.id}`" class="font-bold underline underline-offset-4">
          {{ client!.name }}
        </NuxtLink>
        <span class="max-sm:hidden">
          · {{ formatDate(checkIn!.measuredOn) }} · {{ tell(protocol.name).toLowerCase() }}
        </span>
        <span class="max-sm:hidden">
          ·
          <a :href="`/caller/${checkIn!.id}`" target="_blank" class="underline underline-offset-4">
            {{ t('checkIn.callerSView') }}
          </a>
        </span>
        <span
          role="status"
          data-test="safety"
          class="block text-sm"
          :class="safety.calm ? '' : 'font-bold text-lamp'"
        >
          {{ safety.word }}
          <button
            v-if="setAside.length"
            type="button"
            class="min-h-11 underline underline-offset-4"
            data-test="set-aside"
            @click="looking = true"
          >
            {{ t('checkIn.notTakenLook', { count: setAside.length }) }}
          </button>
        </span>
      </p>
      <nav
        ref="rail"
        :aria-label="t('checkIn.stages')"
        class="relative flex max-sm:-mx-4 max-sm:more-beside max-sm:w-[calc(100%+2rem)] max-sm:overflow-x-auto max-sm:px-2 max-sm:pr-14"
      >
        <button
          v-for="{ id, name, done } in stages"
          :key="id"
          type="button"
          class="border-b-4 px-2.5 pt-3 pb-2 whitespace-nowrap sm:px-3 sm:pt-5 sm:pb-4"
          :class="id === stage ? 'border-lamp font-bold' : 'border-transparent'"
          :aria-current="id === stage ? 'step' : undefined"
          @click="stage = id"
        >
          <span v-if="done" aria-hidden="true">✓ </span>{{ name }}
          <span v-if="done" class="sr-only">{{ t('checkIn.done') }}</span>
        </button>
      </nav>
    </div>
    <LazySetAsideDialog v-if="setAside.length > 0" :open="looking" @close="looking = false" />
  </header>
</template>

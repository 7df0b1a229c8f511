<script setup lang="ts">
import { ageOn, formatAsTyped, PROTOCOLS, SCHOOL_NAMES, type TypedUnit } from '#core'

const emit = defineEmits<{ begin: [] }>()

const store = useCheckInStore()
const { client, checkIn, protocol, last } = storeToRefs(store)

const begin = useTemplateRef<HTMLButtonElement>('begin')
onMounted(() => begin.value?.focus())

const options = computed(() => {
  const { sex } = client.value!
  return PROTOCOLS.map(({ id, name, folds, girths, passes, girthPasses }) => {
    const parts = [
      [folds[sex].length * passes, 'fold'],
      [girths[sex].length * girthPasses, 'girth'],
    ].flatMap(([count, what]) => (count ? [`${count} ${what} readings`] : []))
    return { value: id, name, detail: parts.join(', ') }
  })
})
const first = computed(() =>
  protocol.value.folds[client.value!.sex].length ? 'Begin with the folds' : 'Begin with the tape',
)
const known = computed(() => Object.keys(last.value).length > 0)
const chosen = computed({
  get: () => protocol.value.id,
  set: (protocolId) => store.alter({ protocolId }),
})

const facts = computed(() => {
  const { sex, birthDate, heightCm, heightUnit } = client.value!
  const height =
    heightCm === null ? 'no height' : formatAsTyped(heightCm, (heightUnit ?? 'cm') as TypedUnit)
  return `${sex}, ${ageOn(birthDate, checkIn.value!.measuredOn)} years, ${height}`
})
</script>

<template>
  <div class="mx-auto w-full max-w-4xl space-y-6 px-4 py-8">
    <div>
      <p class="text-faded">{{ facts }}</p>
      <h2 class="text-[44px]">{{ client!.name }}</h2>
      <p class="pt-2 text-lg">
        Before training, skin dry, no lotion. Right side, standing. Every site once in order, then
        all again, so that each fold recovers.
      </p>
    </div>
    <ChoiceRow v-model="chosen" label="Protocol" :options="options" />
    <p class="text-lg">{{ protocol.when }}</p>
    <p v-if="known" class="text-faded">
      {{ SCHOOL_NAMES[protocol.school] }}. What each site read last time stands beside it.
    </p>
    <p v-else class="text-faded">
      {{ SCHOOL_NAMES[protocol.school] }}. There is nothing to compare these sites with yet.
    </p>
    <button ref="begin" type="button" class="button button-lead" @click="emit('begin')">
      {{ first }}
    </button>
  </div>
</template>

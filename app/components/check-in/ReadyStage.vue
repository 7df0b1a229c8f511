<script setup lang="ts">
import { ageOn, formatAsTyped, PROTOCOLS, type TypedUnit } from '#core'

const emit = defineEmits<{ begin: [] }>()

const store = useCheckInStore()
const { client, checkIn, protocol, last } = storeToRefs(store)

const begin = useTemplateRef<HTMLButtonElement>('begin')
onMounted(() => begin.value?.focus())

const options = computed(() =>
  PROTOCOLS.map(({ id, name, folds }) => ({
    value: id,
    name,
    detail: `${folds[client.value!.sex].length * 2} readings`,
  })),
)
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
  <div class="mx-auto w-full max-w-2xl space-y-6 px-4 py-8">
    <div>
      <p class="text-faded">{{ facts }}</p>
      <h2 class="text-[44px]">{{ client!.name }}</h2>
      <p class="pt-2 text-lg">
        Before training, skin dry, no lotion. Right side, standing. Every site once in order, then
        all again, so that each fold recovers.
      </p>
    </div>
    <ChoiceRow v-model="chosen" label="Protocol" :options="options" />
    <p v-if="last" class="text-faded">
      Last time, by {{ protocol.school.toUpperCase() }} school sites, is shown beside each reading.
    </p>
    <p v-else class="text-faded">First check-in: there is nothing to compare with yet.</p>
    <button ref="begin" type="button" class="button button-lead" @click="emit('begin')">
      Begin with the folds
    </button>
  </div>
</template>

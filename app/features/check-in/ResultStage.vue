<script setup lang="ts">
const emit = defineEmits<{ go: [stage?: 'scale'] }>()

const store = useCheckInStore()
const { view, client, checkIn, measured, earlier, sheet } = storeToRefs(store)

const reader = ref<'coach' | 'client'>('coach')
const readers = computed(() => [
  { value: 'coach' as const, name: t('checkIn.forCoach') },
  {
    value: 'client' as const,
    name: t('checkIn.forClient'),
  },
])

const { busy, trouble, submit } = useSubmit()
const close = useTemplateRef<HTMLButtonElement>('close')
onMounted(() => close.value?.focus({ preventScroll: true }))

async function onClose() {
  const clientId = client.value!.id
  await submit(() => store.close())
  if (!trouble.value) await navigateTo(`/clients/${clientId}`)
}
</script>

<template>
  <div class="mx-auto w-full max-w-5xl px-4 py-6 sm:px-8">
    <div class="pb-4">
      <ChoiceRow v-model="reader" :label="t('checkIn.whoReads')" hide-label :options="readers" />
    </div>
    <ClientPicture
      v-if="reader === 'client'"
      :client="client!"
      :check-in="measured!"
      :earlier
      :weigh-ins="view!.weighIns"
      :phase-starts="view!.phaseStarts"
      :gym-figures="view!.gym.figures?.own"
    />
    <ResultSheet
      v-else
      :client="client!"
      :check-in="measured!"
      :earlier
      :weigh-ins="view!.weighIns"
      :phase-starts="view!.phaseStarts"
      :gym-figures="view!.gym.figures?.own"
      @conversion="store.updateCheckIn({ conversion: $event })"
    />
    <div class="flex flex-wrap gap-3 pt-6">
      <button
        v-if="checkIn!.closedAt === null"
        ref="close"
        type="button"
        class="button button-lead"
        :disabled="busy"
        @click="onClose"
      >
        {{ t('checkIn.closeCheck') }}
      </button>
      <NuxtLink v-else :to="`/clients/${client!.id}`" class="button button-lead">
        {{ t('checkIn.backTo', { name: client!.name }) }}
      </NuxtLink>
      <NuxtLink
        v-if="checkIn!.closedAt !== null"
        :to="`/clients/${client!.id}/share`"
        class="button"
        data-test="share"
      >
        {{ t('checkIn.share') }}
      </NuxtLink>
      <button v-if="sheet?.missing.length" type="button" class="button" @click="emit('go')">
        {{ t('checkIn.takeWhatMissing') }}
      </button>
      <button
        v-if="sheet?.subject.massKg === undefined"
        type="button"
        class="button"
        @click="emit('go', 'scale')"
      >
        {{ t('checkIn.weigh') }}
      </button>
    </div>
    <AlertLine :text="trouble" />
  </div>
</template>

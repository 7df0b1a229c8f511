<script setup lang="ts">
import type { Finding } from '#core'
import type { Skipped } from '#shared/contract/check-ins'
import type { SiteKind } from '~/features/check-in/useSiteEntry'

/** The end of a stage: every site is in, and what is found about the last one is said before it is left. */
const props = defineProps<{
  kind: SiteKind
  finding?: Finding
  offer: string
  other?: string
  /** The site that was skipped last. */ skipped?: Skipped
}>()
const emit = defineEmits<{
  done: []
  girth: []
  accept: [which?: 'second']
  again: []
  undo: []
}>()
const { protocol, client } = storeToRefs(useCheckInStore())
/** A protocol without girths: any can be taken here all the same. */
const noGirths = computed(
  () => props.kind === 'tape' && protocol.value.girths[client.value!.sex].length === 0,
)

const name = computed(
  () =>
    ({ folds: t('checkIn.folds'), tape: t('checkIn.tape'), bones: t('checkIn.bones') })[props.kind],
)

const goOn = useTemplateRef<HTMLButtonElement>('goOn')
onMounted(() => goOn.value?.focus())
</script>

<template>
  <section class="px-4 py-8 sm:px-10">
    <p class="text-faded">{{ name }}</p>
    <h2 class="pb-4 text-[44px]">
      {{ noGirths ? t('checkIn.noGirths') : t('checkIn.allSites') }}
    </h2>
    <p v-if="noGirths" class="pb-4 text-lg">{{ t('checkIn.addGirthsHere') }}</p>
    <FindingLine
      v-if="finding"
      :finding
      :offer
      :other
      class="mb-5"
      @accept="emit('accept', $event)"
      @again="emit('again')"
    />
    <SkippedLine v-if="skipped" :skipped class="pb-4" @undo="emit('undo')" />
    <div class="flex flex-wrap gap-3">
      <button ref="goOn" type="button" class="button button-lead" @click="emit('done')">
        {{ t('checkIn.go') }}
      </button>
      <button v-if="kind === 'tape'" type="button" class="button" @click="emit('girth')">
        {{ t('checkIn.anotherGirth2') }}
      </button>
    </div>
  </section>
</template>

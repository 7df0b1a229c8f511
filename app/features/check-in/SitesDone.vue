<script setup lang="ts">
import type { Finding } from '#core'
import type { SiteKind } from '~/features/check-in/useSiteEntry'

/** The end of a stage: every site is in, and what is found about the last one is said before it is left. */
defineProps<{ kind: SiteKind; finding?: Finding; offer: string; other?: string }>()
const emit = defineEmits<{ done: []; girth: []; accept: [which?: 'second']; again: [] }>()

const goOn = useTemplateRef<HTMLButtonElement>('goOn')
onMounted(() => goOn.value?.focus())
</script>

<template>
  <section class="px-4 py-8 sm:px-10">
    <p class="text-faded">{{ kind === 'folds' ? t('checkIn.folds') : t('checkIn.tape') }}</p>
    <h2 class="pb-4 text-[44px]">{{ t('checkIn.allSites') }}</h2>
    <FindingLine
      v-if="finding"
      :finding
      :offer
      :other
      class="mb-5"
      @accept="emit('accept', $event)"
      @again="emit('again')"
    />
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

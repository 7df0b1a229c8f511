<script setup lang="ts">
import type { Finding } from '#core'

defineProps<{
  finding: Finding
  /** What the offer reads as. */
  offer: string
  /** The same of another value that may as well have been meant. */
  other?: string
}>()
const emit = defineEmits<{ accept: [which?: 'second']; again: [] }>()
</script>

<template>
  <div
    role="status"
    data-test="finding"
    class="mt-2 flex flex-wrap items-center gap-x-5 gap-y-2 max-sm:gap-x-2 caution sm:mt-4 sm:py-3"
  >
    <p class="min-w-52 flex-1">{{ tell(finding.evidence) }}</p>
    <KeyedButton v-if="offer" letter="A" @click="emit('accept')">{{
      t('checkIn.takeOffer', { offer })
    }}</KeyedButton>
    <KeyedButton v-if="other" letter="O" @click="emit('accept', 'second')">{{
      t('checkIn.takeOther', { other })
    }}</KeyedButton>
    <KeyedButton letter="R" @click="emit('again')">{{ t('checkIn.measureAgain') }}</KeyedButton>
    <span class="text-faded max-sm:hidden">{{ t('checkIn.orGo') }}</span>
  </div>
</template>

<script setup lang="ts">
import type { SiteId } from '#core'
import { wordsFor } from './operations'

/** What the server did not take, one by one, with its words and what can be done. */
defineProps<{ open: boolean }>()
const emit = defineEmits<{ close: [] }>()

const store = useCheckInStore()
const { setAside } = storeToRefs(store)
const name = (site: string) => nameOf(site as SiteId)
</script>

<template>
  <AskDialog :title="t('checkIn.notTakenServer')" :open @close="emit('close')">
    <ul class="space-y-4 pb-4 text-ink">
      <li v-for="operation in setAside" :key="operation.id" class="border-b border-line pb-3">
        <p class="font-bold">{{ wordsFor(operation, name) }}</p>
        <p class="py-1">{{ operation.setAside!.message }}</p>
        <div class="flex flex-wrap gap-3">
          <button type="button" class="button button-lead" @click="store.mend(operation.id)">
            {{ t('checkIn.sendAgain') }}
          </button>
          <button type="button" class="button" @click="store.drop(operation.id)">
            {{ t('checkIn.drop') }}
          </button>
        </div>
      </li>
    </ul>
    <button type="button" class="button" @click="emit('close')">{{ t('checkIn.close') }}</button>
  </AskDialog>
</template>

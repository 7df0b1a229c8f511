<script setup lang="ts">
import { exchange } from '~/contract'
import type { BringIn } from './useBringIn'

/** Brings in what was looked at, and says what came of it; it can be taken back. */
const { bringing } = defineProps<{ bringing: BringIn }>()
const coming = computed(() => bringing.coming.value!)
const { brought } = bringing
const isEmpty = computed(() => {
  const { checkIns, weighIns, otherResults, clients } = coming.value.counts
  return checkIns + weighIns + otherResults + clients === 0
})

const { trouble, busy, submit } = useSubmit()
async function undo() {
  const undone = await submit(() => callApi(exchange.undo, { params: { id: brought.value!.id } }))
  if (undone) brought.value = undone
}
const leftHere = computed(() => brought.value!.left.length)
</script>

<template>
  <div v-if="!brought" class="space-y-4">
    <p class="text-lg">{{ countsText(coming.counts) }}</p>
    <p>{{ t('records.backupFirst') }}</p>
    <button
      type="button"
      class="button button-lead"
      :disabled="isEmpty || bringing.share.value !== undefined"
      data-test="bring"
      @click="bringing.bring"
    >
      {{ t('records.bringIn') }}
    </button>
    <p v-if="isEmpty" class="text-faded">{{ t('records.nothingToBring') }}</p>
  </div>
  <div v-else-if="brought.undoneAt" class="space-y-4">
    <p role="status" class="text-lg" data-test="brought">{{ t('records.undone') }}</p>
    <button type="button" class="button" @click="bringing.startAgain">
      {{ t('records.anotherFile') }}
    </button>
  </div>
  <div v-else class="space-y-4">
    <p role="status" class="text-lg" data-test="brought">
      <strong>{{ t('records.broughtIn') }}</strong> {{ countsText(brought.counts) }}
    </p>
    <template v-if="leftHere">
      <p>{{ t('records.leftOut', counted(leftHere)) }}</p>
      <ImportLeft :left="brought.left" />
    </template>
    <AlertLine :text="trouble" />
    <div class="flex flex-wrap gap-3">
      <NuxtLink to="/clients" class="button button-lead">{{ t('records.toClients') }}</NuxtLink>
      <button type="button" class="button" @click="bringing.startAgain">
        {{ t('records.anotherFile') }}
      </button>
      <button type="button" class="button" :disabled="busy" @click="undo">
        {{ t('records.takeBack') }}
      </button>
    </div>
  </div>
</template>

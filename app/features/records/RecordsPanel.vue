<script setup lang="ts">
import type { ExportFormat } from '#shared/contract/choices'
import type { Import, SheetKey } from '#shared/contract/imports'
import { exchange } from '~/contract'

/** Records in and out: old records, everything as a file, and what was brought in before. */
const { start } = defineProps<{ start: readonly Import[]; keys: readonly SheetKey[] }>()
const imports = ref([...start])
const { trouble, submit, busy } = useSubmit()

async function undo(id: string) {
  const undone = await submit(() => callApi(exchange.undo, { params: { id } }))
  if (undone) imports.value = imports.value.map((one) => (one.id === id ? undone : one))
}
const hrefOf = (as: ExportFormat) => `/api/export/${as}`
</script>

<template>
  <div class="space-y-6">
    <div class="space-y-2">
      <p>{{ t('records.inIntro') }}</p>
      <NuxtLink to="/bring-in" class="button button-lead">{{ t('records.bringOldIn') }}</NuxtLink>
    </div>
    <AlertLine :text="trouble" />
    <ul v-if="imports.length" data-test="imports">
      <li v-for="one in imports" :key="one.id" class="border-b border-line py-2">
        <div class="flex flex-wrap items-center gap-3">
          <p class="min-w-52 flex-1">
            <strong class="text-lg wrap-anywhere">{{ one.fileName }}</strong>
            <span class="block text-faded">
              {{ instantText(one.at) }} ·
              {{ one.undoneAt ? t('records.wasUndone') : countsText(one.counts) }}
            </span>
          </p>
          <NamedButton
            v-if="!one.undoneAt"
            :of="one.fileName"
            :disabled="busy"
            @click="undo(one.id)"
            >{{ t('records.takeBack') }}</NamedButton
          >
        </div>
        <FoldOut v-if="one.left.length" :title="t('records.leftOut', counted(one.left.length))">
          <ImportLeft :left="one.left" />
        </FoldOut>
      </li>
    </ul>
    <ExportList :title="t('records.outIntro')" :href-of />
    <SheetKeys :start="keys" />
  </div>
</template>

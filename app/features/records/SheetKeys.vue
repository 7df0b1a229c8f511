<script setup lang="ts">
import { v4 as newId } from 'uuid'
import { SHEET_FORMATS } from '#shared/contract/choices'
import type { SheetKey } from '#shared/contract/imports'
import { exchange } from '~/contract'

/** Keys with which a spreadsheet fetches the record by itself. */
const { start } = defineProps<{ start: readonly SheetKey[] }>()
const keys = ref([...start])
const name = ref('')
/** The key that was made last, shown this once. */
const made = ref('')
const { trouble, problems, busy, submit } = useSubmit()

async function add() {
  const answer = await submit(() =>
    callApi(exchange.addSheetKey, { body: { id: newId(), name: name.value } }),
  )
  if (!answer) return
  keys.value = answer.keys
  made.value = answer.key
  name.value = ''
}
async function remove(id: string) {
  const left = await submit(() => callApi(exchange.removeSheetKey, { params: { id } }))
  if (left) keys.value = left
  made.value = ''
}
const addressOf = (as: string) => `${location.origin}/api/sheets/${made.value}/${as}`
const usedText = ({ usedAt }: SheetKey) =>
  usedAt ? t('records.keyUsed', { at: instantText(usedAt) }) : t('records.keyNotUsed')
</script>

<template>
  <div class="space-y-3" data-test="sheet-keys">
    <h3 class="text-xl">{{ t('records.sheetKeys') }}</h3>
    <p>{{ t('records.sheetKeysIntro') }}</p>
    <ul v-if="keys.length">
      <li
        v-for="key in keys"
        :key="key.id"
        class="flex flex-wrap items-center gap-3 border-b border-line py-2"
      >
        <p class="min-w-52 flex-1">
          <strong class="text-lg">{{ key.name }}</strong>
          <span class="block text-faded">{{ usedText(key) }}</span>
        </p>
        <NamedButton :of="key.name" :disabled="busy" @click="remove(key.id)">{{
          t('records.revoke')
        }}</NamedButton>
      </li>
    </ul>
    <form class="flex flex-wrap items-end gap-3" novalidate @submit.prevent="add">
      <TextField
        id="key-name"
        v-model="name"
        class="max-w-md"
        :label="t('records.keyName')"
        :hint="t('records.keyNameHint')"
        :error="problems.name"
      />
      <button type="submit" class="button" :disabled="busy">{{ t('records.makeKey') }}</button>
    </form>
    <div v-if="made" role="status" class="space-y-1 border-l-4 border-leaf bg-white px-4 py-3">
      <p class="font-bold">{{ t('records.keyOnce') }}</p>
      <p v-for="as in SHEET_FORMATS" :key="as" class="wrap-anywhere">
        {{ t(`records.formats.${as}`) }}:
        <span class="figure" :data-test="`sheet-${as}`">{{ addressOf(as) }}</span>
      </p>
    </div>
    <AlertLine :text="problems.name ? '' : trouble" />
  </div>
</template>

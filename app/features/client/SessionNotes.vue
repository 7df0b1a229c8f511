<script setup lang="ts">
import { isoDateOf } from '#core'
import { v4 as newId } from 'uuid'
import type { ClientDetails } from '#shared/contract/client-side'
import { details as routes } from '~/contract'

/** What was done and said in sessions, the latest first. */
const { clientId } = defineProps<{ clientId: string }>()
const details = defineModel<ClientDetails>({ required: true })

const params = { id: clientId }
const empty = () => ({ id: newId(), date: isoDateOf(new Date()), words: '' })
const form = reactive(empty())
const { problems, trouble, done, submit } = useSubmit()
const changing = computed(() => details.value.notes.some(({ id }) => id === form.id))

async function keep() {
  const body = { ...form }
  const now = await submit(() => callApi(routes.keepNote, { params, body }), t('notes.saved'))
  if (!now) return
  details.value = now
  Object.assign(form, empty())
}
async function remove(part: string) {
  const now = await submit(() => callApi(routes.removeNote, { params: { ...params, part } }))
  if (now) details.value = now
}
</script>

<template>
  <section>
    <h2 class="border-b-2 border-ink pb-1 text-xl">{{ t('notes.sessionNotes') }}</h2>
    <form class="space-y-3 pt-3" novalidate @submit.prevent="keep">
      <FieldRow id="session-note" :label="t('notes.newNote')" :error="problems.words">
        <textarea id="session-note" v-model="form.words" class="field" rows="3" />
      </FieldRow>
      <div class="flex flex-wrap items-end gap-3">
        <TextField
          id="session-date"
          v-model="form.date"
          :label="t('notes.day')"
          :error="problems.date"
          type="date"
        />
        <button type="submit" class="button">
          {{ changing ? t('notes.saveChange') : t('notes.addNote') }}
        </button>
        <span role="status">{{ done }}</span>
      </div>
      <AlertLine :text="trouble" />
    </form>
    <ul data-test="session-notes">
      <li v-for="note in details.notes" :key="note.id" class="border-b border-line py-2">
        <p class="text-sm text-faded">
          {{ t('notes.noteBy', { day: formatDate(note.date, true), name: note.writtenBy }) }}
        </p>
        <p class="whitespace-pre-line">{{ note.words }}</p>
        <button
          type="button"
          class="min-h-11 pr-4 underline"
          @click="Object.assign(form, { id: note.id, date: note.date, words: note.words })"
        >
          {{ t('notes.change') }}
        </button>
        <button type="button" class="min-h-11 px-3 underline" @click="remove(note.id)">
          {{ t('notes.remove') }}
        </button>
      </li>
    </ul>
    <p v-if="details.notes.length === 0" class="pt-2 text-faded">{{ t('notes.noNotes') }}</p>
  </section>
</template>

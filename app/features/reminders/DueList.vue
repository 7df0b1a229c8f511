<script setup lang="ts">
import type { Reminders } from '#shared/contract/reminders'
import { reminders as routes } from '~/contract'
import { aboutWords, wayWords } from './reminder-words'

/** What there is to remind of today: each as a text to copy, for whoever does not write mails. */
const { due } = defineProps<{ due: Reminders['due'] }>()
const emit = defineEmits<{ changed: [now: Reminders] }>()
const { trouble, done, submit } = useSubmit()

type Due = Reminders['due'][number]
const keyOf = ({ clientId, kind, of }: Due) => `${clientId} ${kind} ${of}`
const opened = ref<string>()
async function copy(one: Due) {
  opened.value = keyOf(one)
  const said = t('reminders.copied', { name: one.name })
  await submit(() => navigator.clipboard.writeText(one.text), said)
}
async function settle({ clientId, kind, of, dueOn, name }: Due) {
  const now = await submit(
    () => callApi(routes.said, { params: { id: clientId }, body: { kind, of, dueOn } }),
    t('reminders.noted', { name }),
  )
  if (now) emit('changed', now)
}
</script>

<template>
  <section data-test="due">
    <h2 class="border-b-2 border-ink pb-1 text-xl">{{ t('reminders.toSay') }}</h2>
    <p v-if="due.length === 0" class="py-2">{{ t('reminders.nothingDue') }}</p>
    <ul>
      <li v-for="one in due" :key="keyOf(one)" class="border-b border-line py-2">
        <div class="flex flex-wrap items-center gap-x-4 gap-y-1">
          <span class="min-w-0 flex-1 basis-64">
            <NuxtLink :to="`/clients/${one.clientId}`" class="link text-lg font-bold">{{
              one.name
            }}</NuxtLink>
            <span class="block">{{ aboutWords(one) }}</span>
            <span class="block text-faded">{{ wayWords(one) }}</span>
          </span>
          <span class="flex gap-2">
            <button type="button" class="button" @click="copy(one)">
              {{ t('reminders.copy') }}
            </button>
            <button type="button" class="button" @click="settle(one)">
              {{ t('reminders.said') }}
            </button>
          </span>
        </div>
        <textarea
          v-if="opened === keyOf(one)"
          class="field mt-2"
          rows="8"
          readonly
          :aria-label="t('reminders.textFor', { name: one.name })"
          :value="one.text"
        />
      </li>
    </ul>
    <p role="status" class="pt-2">{{ done }}</p>
    <AlertLine :text="trouble" />
  </section>
</template>

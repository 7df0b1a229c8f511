<script setup lang="ts">
import type { Reminders } from '#shared/contract/reminders'
import { reminders as routes } from '~/contract'
import { aboutWords, stateWords } from './reminder-words'

/** What clients were reminded of, and what became of it. */
const { log } = defineProps<{ log: Reminders['log'] }>()
const emit = defineEmits<{ changed: [now: Reminders] }>()
const { trouble, submit } = useSubmit()
async function again({ clientId, id }: Reminders['log'][number]) {
  const params = { id: clientId, part: id }
  const now = await submit(() => callApi(routes.again, { params }))
  if (now) emit('changed', now)
}
</script>

<template>
  <section data-test="log">
    <h2 class="border-b-2 border-ink pb-1 text-xl">{{ t('reminders.log') }}</h2>
    <p v-if="log.length === 0" class="py-2">{{ t('reminders.nothingSent') }}</p>
    <ul>
      <li
        v-for="entry in log"
        :key="entry.id"
        class="flex flex-wrap items-center gap-x-4 border-b border-line py-1"
      >
        <span class="min-w-0 flex-1 basis-64">
          <span class="font-bold">{{ entry.name }}</span>: {{ aboutWords(entry) }}
          <span class="block" :class="entry.state === 'failed' ? 'text-clay' : 'text-faded'">
            {{ stateWords(entry) }}
            <template v-if="entry.trouble">{{
              t('reminders.serverSaid', { words: entry.trouble })
            }}</template>
          </span>
        </span>
        <button
          v-if="entry.state === 'failed' || entry.state === 'unclear'"
          type="button"
          class="button"
          @click="again(entry)"
        >
          {{ t('reminders.again') }}
        </button>
      </li>
    </ul>
    <AlertLine :text="trouble" />
  </section>
</template>

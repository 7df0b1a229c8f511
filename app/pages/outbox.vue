<script setup lang="ts">
import { reminders } from '~/contract'

await breathe()

/* What the demo's stand-in for a mail server was given: nothing of it left this computer. */
usePageTitle(() => t('reminders.outboxTitle'))

const { data, error, refresh } = await useAsyncData('outbox', () => callApi(reminders.outbox, {}))
await breathe()
</script>

<template>
  <main class="mx-auto max-w-3xl px-4 py-6 sm:px-6">
    <div class="flex flex-wrap items-end justify-between gap-3 pb-2">
      <h1 class="text-[40px]">{{ t('reminders.outboxTitle') }}</h1>
      <button type="button" class="button" @click="refresh()">
        {{ t('reminders.lookAgain') }}
      </button>
    </div>
    <p class="pb-4">{{ t('reminders.outboxIntro') }}</p>
    <LoadTrouble v-if="error || !data" :error />
    <p v-else-if="data.length === 0">{{ t('reminders.outboxEmpty') }}</p>
    <ol v-else>
      <li
        v-for="mail in data"
        :key="mail.at + mail.to"
        class="mb-4 border border-line bg-white p-4"
        data-test="mail"
      >
        <p class="text-faded">
          {{
            t('reminders.mailLine', { from: mail.from, to: mail.to, when: instantText(mail.at) })
          }}
        </p>
        <h2 class="pb-2 text-xl">{{ mail.subject }}</h2>
        <p class="wrap-anywhere whitespace-pre-wrap">{{ mail.text }}</p>
      </li>
    </ol>
  </main>
</template>

<script setup lang="ts">
import { reminders as routes } from '~/contract'

await breathe()

usePageTitle(() => t('reminders.title'))

const { data, error } = await useAsyncData('reminders', () => callApi(routes.view, {}))
await breathe()
const { can } = useMe()
</script>

<template>
  <main class="mx-auto max-w-6xl px-4 py-6 sm:px-6">
    <h1 class="text-[40px]">{{ t('reminders.title') }}</h1>
    <LoadTrouble v-if="error || !data" :error />
    <div v-else class="grid gap-x-12 gap-y-8 pt-2 lg:grid-cols-2">
      <div class="space-y-8">
        <DueList :due="data.due" @changed="data = $event" />
        <SentList :log="data.log" @changed="data = $event" />
      </div>
      <div class="space-y-8">
        <InTurn>
          <RulesForm v-if="can('gym.govern')" :reminders="data" @changed="data = $event" />
        </InTurn>
        <CalendarFeed :feed="data.feed" @changed="data = $event" />
      </div>
    </div>
  </main>
</template>

<script setup lang="ts">
import { v4 as newId } from 'uuid'
import type { LeaderboardForm } from '#shared/contract/leaderboards'
import { leaderboards } from '~/contract'

usePageTitle(() => t('leaderboards.leaderboards'))

const { data, error } = await useAsyncData('leaderboards', () => callApi(leaderboards.list, {}))
const adding = ref(false)
async function save(form: LeaderboardForm) {
  const { id } = await callApi(leaderboards.add, { body: { ...form, id: newId() } })
  await navigateTo(`/leaderboards/${id}`)
}
</script>

<template>
  <main class="mx-auto max-w-4xl px-4 py-6 sm:px-6">
    <h1 class="text-[40px]">{{ t('leaderboards.leaderboards') }}</h1>
    <p class="pb-4 text-lg">
      {{ t('leaderboards.groupOverPeriodRankedWhat') }}
    </p>
    <LoadTrouble :error />
    <ul v-if="data?.length">
      <li v-for="group in data" :key="group.id" class="border-b border-line py-2">
        <TitleLink :to="`/leaderboards/${group.id}`">
          {{ group.name }}
        </TitleLink>
        <span class="block text-faded">
          {{
            t('leaderboards.summary', {
              from: formatDate(group.startsOn, true),
              to: formatDate(group.endsOn, true),
              count: group.members,
              name: measureName(group.measure),
            })
          }}
        </span>
      </li>
    </ul>
    <p v-else class="pb-3">{{ t('leaderboards.noGroupYet') }}</p>
    <button type="button" class="button mt-4" @click="adding = true">
      {{ t('leaderboards.newGroup') }}
    </button>
    <AskDialog :title="t('leaderboards.newGroup')" :open="adding" @close="adding = false">
      <LeaderboardForm :save />
    </AskDialog>
  </main>
</template>

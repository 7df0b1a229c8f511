<script setup lang="ts">
import { formatDate } from '#core'
import { v4 as newId } from 'uuid'
import type { LeaderboardForm } from '#shared/contract/leaderboards'
import { leaderboards } from '~/contract'

useHead({ title: 'Leaderboards · Oak Pinch' })

const { data, error } = await useAsyncData('leaderboards', () => callApi(leaderboards.list, {}))
const adding = ref(false)
async function save(form: LeaderboardForm) {
  const { id } = await callApi(leaderboards.add, { body: { ...form, id: newId() } })
  await navigateTo(`/leaderboards/${id}`)
}
</script>

<template>
  <main class="mx-auto max-w-4xl px-4 py-6 sm:px-6">
    <h1 class="text-[40px]">Leaderboards</h1>
    <p class="pb-4 text-lg">
      A group over a period, ranked by what changed, like for like. Who is not clearly apart shares
      a place.
    </p>
    <p v-if="error" role="alert" class="font-bold text-clay">{{ error.message }}</p>
    <ul v-if="data?.length">
      <li v-for="group in data" :key="group.id" class="border-b border-line py-2">
        <TitleLink :to="`/leaderboards/${group.id}`">
          {{ group.name }}
        </TitleLink>
        <span class="block text-faded">
          {{ formatDate(group.startsOn, true) }} to {{ formatDate(group.endsOn, true) }} ·
          {{ group.members }} members · {{ MEASURE_WORDS[group.measure].name }}
        </span>
      </li>
    </ul>
    <p v-else class="pb-3">No group yet.</p>
    <button type="button" class="button mt-4" @click="adding = true">Make a group</button>
    <AskDialog title="A new group" :open="adding" @close="adding = false">
      <LeaderboardForm :save />
    </AskDialog>
  </main>
</template>

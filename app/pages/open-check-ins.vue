<script setup lang="ts">
import { access } from '~/contract'

await breathe()
const { data, error, refresh } = await useAsyncData('open-check-ins', () =>
  callApi(access.openCheckIns, {}),
)
usePageTitle(() => t('access.openCheckIns'))
</script>

<template>
  <main class="mx-auto max-w-2xl space-y-5 px-4 py-6 sm:px-6">
    <h1 class="text-[40px]">{{ t('access.openCheckIns') }}</h1>
    <LoadTrouble v-if="error" :error />
    <template v-else>
      <p v-if="data?.length">{{ t('access.openCheckInsIntro') }}</p>
      <p v-else>{{ t('access.noOpenCheckIns') }}</p>
      <ul data-test="open-check-ins">
        <li v-for="{ id, name, startedAt } in data" :key="id" class="border-b border-line">
          <NuxtLink :to="`/caller/${id}`" class="block min-h-11 py-3">
            <strong class="block text-xl">{{ name }}</strong>
            <span class="text-faded">{{
              t('access.startedAt', { at: instantText(startedAt) })
            }}</span>
          </NuxtLink>
        </li>
      </ul>
      <button type="button" class="button" @click="refresh()">{{ t('access.lookAgain') }}</button>
    </template>
  </main>
</template>

<script setup lang="ts">
import { EVENTS_PAGE } from '#shared/contract/choices'
import EventList from '~/features/access/EventList.vue'
import { access } from '~/contract'

usePageTitle(() => t('access.whoDidWhat'))
const user = ref('')
const page = ref(1)
const { data: letIn } = await useAsyncData('access', () => callApi(access.view, {}))
const { data, error } = await useAsyncData(
  'events',
  () =>
    callApi(access.events, {
      query: { page: page.value, ...(user.value && { user: user.value }) },
    }),
  { watch: [page, user] },
)
watch(user, () => (page.value = 1))
const pages = computed(() => Math.max(1, Math.ceil((data.value?.total ?? 0) / EVENTS_PAGE)))
</script>

<template>
  <main class="mx-auto max-w-3xl space-y-5 px-4 py-6 sm:px-6">
    <h1 class="text-[40px]">{{ t('access.whoDidWhat') }}</h1>
    <p>{{ t('access.whoDidWhatIntro') }}</p>
    <FieldRow id="of-whom" :label="t('access.ofWhom')">
      <select id="of-whom" v-model="user" class="field max-w-md">
        <option value="">{{ t('access.everybody') }}</option>
        <option v-for="{ id, name } in letIn?.accounts" :key="id" :value="id">{{ name }}</option>
      </select>
    </FieldRow>
    <LoadTrouble v-if="error" :error />
    <template v-else-if="data">
      <EventList :events="data.events" about :none="t('access.nothingYet')" />
      <div v-if="pages > 1" class="flex gap-3">
        <button type="button" class="button" :disabled="page === 1" @click="page--">
          {{ t('access.later') }}
        </button>
        <button type="button" class="button" :disabled="page >= pages" @click="page++">
          {{ t('access.earlier') }}
        </button>
      </div>
    </template>
  </main>
</template>

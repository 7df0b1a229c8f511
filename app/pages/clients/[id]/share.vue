<script setup lang="ts">
import type { ClientDetails } from '#shared/contract/client-side'
import PaperDesk from '~/features/paper/PaperDesk.vue'
import { details as routes } from '~/contract'

const { view, error, data } = await useClientPart('client.share', routes.view)
const details = computed({
  get: () => data.value as ClientDetails,
  set: (now) => (data.value = now),
})
</script>

<template>
  <ClientPage :view :error>
    <template v-if="view">
      <SharePanel v-if="data" v-model="details" :client="view.client" />
      <h2 class="mt-10 mb-4 border-b-2 border-ink pb-1 text-xl">{{ t('sharing.onPaper') }}</h2>
      <PaperDesk :client="view.client" />
    </template>
  </ClientPage>
</template>

<script setup lang="ts">
import type { Events } from '#shared/contract/access'
import { access } from '~/contract'
import EventList from '../access/EventList.vue'

/** Who has looked at a client's record and changed it, asked for when it is opened. */
const { clientId } = defineProps<{ clientId: string }>()
const events = ref<Events['events']>()
const { trouble, submit } = useSubmit()
async function load() {
  const seen = await submit(() => callApi(access.seen, { params: { id: clientId } }))
  if (seen) events.value = seen.events
}
</script>

<template>
  <FoldOut :title="t('access.seenBy')" @opened="load">
    <AlertLine :text="trouble" />
    <EventList v-if="events" :events :none="t('access.seenByNobody')" />
  </FoldOut>
</template>

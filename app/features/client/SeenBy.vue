<script setup lang="ts">
import type { Events } from '#shared/contract/access'
import { access } from '~/contract'
import { eventWhen, eventWords } from '../access/event-words'

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
    <ul v-if="events?.length" data-test="seen">
      <li v-for="(event, i) in events" :key="i" class="border-b border-line py-1">
        {{ eventWords(event, false) }}
        <span class="block text-sm text-faded">{{ eventWhen(event) }}</span>
      </li>
    </ul>
    <p v-else-if="events" class="text-faded">{{ t('access.seenByNobody') }}</p>
  </FoldOut>
</template>

<script setup lang="ts">
import type { Reminders } from '#shared/contract/reminders'
import { reminders as routes } from '~/contract'

/** The secret address by which a calendar follows what is due. */
const { feed } = defineProps<{ feed: Reminders['feed'] }>()
const emit = defineEmits<{ changed: [now: Reminders] }>()
const { trouble, done, busy, submit } = useSubmit()
const address = ref('')
const changed = async () => {
  const now = await submit(() => callApi(routes.view, {}))
  if (now) emit('changed', now)
}
const words = {
  used: (when: string) => t('reminders.feedUsed', { when }),
  made: (when: string) => t('reminders.feedMade', { when }),
  make: t('reminders.feedMake'),
  ...{ renew: t('reminders.feedRenew'), end: t('reminders.feedEnd') },
}
async function make() {
  const made = await submit(() => callApi(routes.feed, {}))
  if (!made) return
  address.value = made.addresses[0]!
  await changed()
}
async function end() {
  const now = await submit(() => callApi(routes.endFeed, {}), t('reminders.feedEnded'))
  if (!now) return
  address.value = ''
  emit('changed', now)
}
</script>

<template>
  <section class="space-y-3" data-test="feed">
    <h2 class="border-b-2 border-ink pb-1 text-xl">{{ t('reminders.inCalendar') }}</h2>
    <p>{{ t('reminders.feedIntro') }}</p>
    <SecretLink
      :address
      :hint="t('reminders.feedOnce')"
      :link="feed"
      :words
      :busy
      @make="make"
      @end="end"
    />
    <p role="status">{{ done }}</p>
    <AlertLine :text="trouble" />
  </section>
</template>

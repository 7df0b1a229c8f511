<script setup lang="ts">
import { reminders } from '~/contract'

/* Opened from a mail: that tap is the wish. Whoever touched it by mistake has them again with another. */
definePageMeta({ layout: false })
usePageTitle(() => t('reminders.stopTitle'))

/** Stands behind the sign that a browser keeps to itself: what looks through mails does not follow it. */
const key = ref('')
const stopped = ref<boolean>()
const { trouble, busy, submit } = useSubmit()
async function stop() {
  const now = await submit(() => callApi(reminders.stop, { params: { key: key.value } }))
  if (now) stopped.value = now.stopped
}
async function resume() {
  const now = await submit(() => callApi(reminders.resume, { params: { key: key.value } }))
  if (now) stopped.value = now.stopped
}
onMounted(async () => {
  key.value = location.hash.slice(1)
  await stop()
})
</script>

<template>
  <main class="mx-auto max-w-md px-4 py-10 sm:py-20">
    <p class="figure text-[26px] text-leaf">{{ t('common.oakPinch') }}</p>
    <h1 class="pb-2 text-[40px]">{{ t('reminders.stopTitle') }}</h1>
    <p v-if="stopped !== undefined" role="status" class="pb-6 text-lg">
      {{ stopped ? t('reminders.stopped') : t('reminders.resumed') }}
    </p>
    <AlertLine :text="trouble" />
    <button
      v-if="stopped !== undefined"
      type="button"
      class="button"
      :disabled="busy"
      @click="stopped ? resume() : stop()"
    >
      {{ stopped ? t('reminders.resume') : t('reminders.stop') }}
    </button>
  </main>
</template>

<script setup lang="ts">
import { reminders } from '~/contract'
import type { ReportDraft } from '~/features/my/report-draft'

definePageMeta({ layout: false })
usePageTitle(() => t('my.title'))

const { page, out, away, trouble, waiting, query, load, take, hand } = useMyPage()

/** Stands behind the sign that a browser keeps to itself. */
const key = ref('')
onMounted(async () => {
  key.value = location.hash.slice(1)
  // A new link is opened, whoever is in.
  if (key.value === '') await load()
  else out.value = true
})
async function opened() {
  // The key out of the address: what is shown to somebody else on this phone opens nothing.
  history.replaceState(history.state, '', '/my')
  key.value = ''
  await load()
}
const sent = ref(false)
async function send(draft: ReportDraft) {
  sent.value = false
  await hand(draft)
  sent.value = trouble.value === ''
}
/* Their days in their own calendar. */
const feed = ref('')
const { trouble: feedTrouble, submit } = useSubmit()
async function subscribe() {
  const made = await submit(() => callApi(reminders.myFeed, {}))
  if (made) feed.value = made.addresses[0]!
}
const open = computed(
  () => page.value?.reports.filter(({ talk }) => talk.at(-1)?.by === 'coach') ?? [],
)
</script>

<template>
  <main class="mx-auto max-w-xl px-4 py-6" data-test="my">
    <p class="figure pb-4 text-[22px] text-leaf">{{ page?.gym || t('common.oakPinch') }}</p>
    <OpenLink v-if="out" :link-key="key" @opened="opened" />
    <template v-else-if="page">
      <h1 class="sr-only">{{ t('my.title') }}</h1>
      <p v-if="waiting" role="status" class="mb-4 caution" data-test="waiting">
        {{ away ? t('my.waitsForNetwork') : t('my.onItsWay') }}
      </p>
      <p v-else-if="sent" role="status" class="mb-4 border-l-4 border-leaf pl-3" data-test="sent">
        {{ t('my.sent') }}
      </p>
      <AlertLine :text="trouble" />
      <ReportTalk
        v-for="report in open"
        :key="report.id"
        class="mb-6"
        :report
        :query
        @answered="take"
      />
      <StoryView
        v-if="page.story"
        :story="page.story"
        :photo-address="(id: string) => `/api/my/photos/${id}`"
        class="mb-10"
      />
      <WeekReport
        v-if="page.asks && !waiting && !sent"
        :key="trouble"
        :page
        :units="query"
        :busy="false"
        @send="send"
      />
      <p v-if="!page.asks && !page.story">{{ t('my.nothingShared') }}</p>
      <section class="mt-10 space-y-3 border-t border-line pt-4" data-test="my-calendar">
        <p>{{ t('my.calendarIntro') }}</p>
        <SecretAddress v-if="feed" :address="feed" :hint="t('my.calendarOnce')" />
        <button type="button" class="button" @click="subscribe">{{ t('my.calendarMake') }}</button>
        <AlertLine :text="feedTrouble" />
      </section>
    </template>
    <p v-else-if="away">{{ t('my.noNetwork') }}</p>
  </main>
</template>

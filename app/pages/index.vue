<script setup lang="ts">
import type { TodayItem } from '#shared/contract/today'
import { gym as gymRoutes, today } from '~/contract'

await breathe()

const { data, error, refresh } = await useAsyncData('today', () => callApi(today.list, {}))
const { data: gym } = await useAsyncData('welcome', () =>
  data.value?.empty ? callApi(gymRoutes.view, {}) : Promise.resolve(null),
)
const WelcomePage = gym.value
  ? await loadedPart(() => import('~/features/today/WelcomePage.vue'))
  : undefined
await breathe()
const { start, busy, trouble } = useStartCheckIn()
const { trouble: doneTrouble, submit } = useSubmit()

usePageTitle(() => t('today.today'))

const day = computed(() => longDate(data.value!.today))
const heading = computed(() => {
  const { look, measure } = data.value!
  const parts = [
    ...(look.all ? [t('today.countReview', { count: look.all })] : []),
    ...(measure.all ? [t('today.countMeasure', { count: measure.all })] : []),
  ]
  return parts.length ? parts.join(' · ') : t('today.nothingToday')
})

/** What the coach was done with last, to take it up again. */
const lastDone = ref<TodayItem>()
async function setDone(item: TodayItem, done: boolean) {
  const body = { clientId: item.client.id, about: item.about, done }
  if (!(await submit(() => callApi(today.done, { body })))) return
  lastDone.value = done ? item : undefined
  await refresh()
}

/** Records that are still being judged: asked again when the server has had time for some of them. */
const AGAIN_MS = 2000
let timer: ReturnType<typeof setTimeout> | undefined
function askAgain() {
  clearTimeout(timer)
  if (data.value?.pending) timer = setTimeout(() => void refresh(), AGAIN_MS)
}
onMounted(() => {
  askAgain()
  watch(data, askAgain)
})
onBeforeUnmount(() => clearTimeout(timer))
</script>

<template>
  <main class="mx-auto max-w-6xl px-4 py-6 sm:px-7">
    <LoadTrouble :error />
    <template v-if="data">
      <InTurn v-if="data.empty && gym && WelcomePage">
        <component :is="WelcomePage" :gym />
      </InTurn>
      <template v-else>
        <p class="text-faded">{{ day }}</p>
        <h1 class="pt-1 pb-4 text-[40px]">{{ heading }}</h1>
        <AlertLine :text="trouble || doneTrouble" />
        <p v-if="data.clients === 0" class="pb-4 text-lg">
          {{ t('today.noClientsYetAddFirst') }}
        </p>
        <p role="status" class="text-faded" :class="{ 'pb-3': lastDone || data.pending }">
          <template v-if="lastDone">
            {{ t('today.doneNameUntilSomethingNew', { name: lastDone.client.name }) }}
            <button type="button" class="min-h-11 px-2 underline" @click="setDone(lastDone, false)">
              {{ t('common.undo') }}
            </button>
          </template>
          <template v-if="data.pending">
            {{ t('today.stillReading', { count: data.pending }) }}
          </template>
        </p>
        <div class="grid items-start gap-x-14 lg:grid-cols-[1fr_23rem]">
          <InTurn>
            <div>
              <ItemList
                v-if="data.look.all"
                :title="t('today.lookAt')"
                :items="data.look.shown"
                :more="data.look.all - data.look.shown.length"
                more-to="/clients?says=look&sort=says"
                :busy
                @start="start"
                @done="(item: TodayItem) => setDone(item, true)"
              />
              <ItemList
                v-if="data.tell.all"
                :title="t('today.worthTellingThem')"
                :items="data.tell.shown"
                :more="data.tell.all - data.tell.shown.length"
                more-to="/clients?says=tell&sort=says"
                :busy
                @start="start"
                @done="(item: TodayItem) => setDone(item, true)"
              />
              <p v-if="!data.look.all && !data.tell.all && data.clients" class="pb-5 text-lg">
                {{ t('today.noRecordAsksLook') }}
              </p>
              <ToCheckList v-if="data.instruments.length" :instruments="data.instruments" />
              <p v-if="data.backups" class="pb-5" data-test="backups-ask">
                <NuxtLink to="/settings#backups" class="underline">{{
                  t(`today.backups.${data.backups}`)
                }}</NuxtLink>
              </p>
            </div>
          </InTurn>
          <InTurn>
            <div>
              <MeasureList
                v-if="data.measure.all"
                :title="t('today.measure')"
                :entries="data.measure.shown"
                :more="data.measure.all - data.measure.shown.length"
                more-to="/clients?sort=due"
                :busy
                @start="start"
              />
              <MeasureList
                v-if="data.week.all"
                :title="t('today.thisWeek')"
                :entries="data.week.shown"
                :more="data.week.all - data.week.shown.length"
                more-to="/calendar"
                :busy
                by-day
                @start="start"
              />
              <p class="pb-5 text-faded">
                <span v-if="data.rest" class="pr-4">{{
                  t('today.onCourse', { count: data.rest })
                }}</span>
                <NuxtLink to="/clients" class="underline">{{ t('today.allClients') }}</NuxtLink>
                <NuxtLink to="/clients/new" class="pl-4 underline">{{
                  t('today.addClient')
                }}</NuxtLink>
              </p>
            </div>
          </InTurn>
        </div>
      </template>
    </template>
  </main>
</template>

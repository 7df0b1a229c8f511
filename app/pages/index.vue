<script setup lang="ts">
import type { TodayItem } from '#shared/contract/today'
import { today } from '~/contract'

await breathe()

const { data, error, refresh } = await useAsyncData('today', () => callApi(today.list, {}))
await breathe()
const { start, busy, trouble } = useStartCheckIn()
const { trouble: doneTrouble, submit } = useSubmit()

useHead({ title: 'Today · Oak Pinch' })

const day = computed(() =>
  new Date(`${data.value!.today}T00:00:00Z`).toLocaleDateString('en-GB', {
    ...{ weekday: 'long', day: 'numeric', month: 'long', timeZone: 'UTC' },
  }),
)
const NUMBERS = 'No One Two Three Four Five Six Seven Eight Nine Ten'.split(' ')
const inWords = (count: number) => NUMBERS[count] ?? String(count)
const heading = computed(() => {
  const { look, measure } = data.value!
  const parts = [
    ...(look.all ? [`${inWords(look.all)} to look at`] : []),
    ...(measure.all ? [`${inWords(measure.all)} to measure`] : []),
  ]
  const [first = 'Nothing to do today', ...rest] = parts
  return [first, ...rest.map((part) => part.toLowerCase())].join(', ')
})
const others = computed(() => {
  const { rest } = data.value!
  return rest === 1 ? 'One other is on course' : `${inWords(rest)} others are on course`
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
    <p v-if="error" role="alert" class="font-bold text-clay">{{ error.message }}</p>
    <template v-if="data">
      <p class="text-faded">{{ day }}</p>
      <h1 class="pt-1 pb-4 text-[40px]">{{ heading }}</h1>
      <AlertLine :text="trouble || doneTrouble" />
      <p v-if="data.clients === 0" class="pb-4 text-lg">
        No clients yet. Add the first one, then start a check-in from here.
      </p>
      <p role="status" class="text-faded" :class="{ 'pb-3': lastDone || data.pending }">
        <template v-if="lastDone">
          Done with {{ lastDone.client.name }}, until something new is true.
          <button type="button" class="min-h-11 px-2 underline" @click="setDone(lastDone, false)">
            Undo
          </button>
        </template>
        <template v-if="data.pending">
          Still reading {{ data.pending }} {{ data.pending === 1 ? 'record' : 'records' }}.
        </template>
      </p>
      <div class="grid items-start gap-x-14 lg:grid-cols-[1fr_23rem]">
        <InTurn>
          <div>
            <ItemList
              v-if="data.look.all"
              title="Look at"
              :items="data.look.shown"
              :more="data.look.all - data.look.shown.length"
              more-to="/clients?says=look&sort=says"
              :busy
              @start="start"
              @done="(item: TodayItem) => setDone(item, true)"
            />
            <ItemList
              v-if="data.tell.all"
              title="Worth telling them"
              :items="data.tell.shown"
              :more="data.tell.all - data.tell.shown.length"
              more-to="/clients?says=tell&sort=says"
              :busy
              @start="start"
              @done="(item: TodayItem) => setDone(item, true)"
            />
            <p v-if="!data.look.all && !data.tell.all && data.clients" class="pb-5 text-lg">
              No record asks for a look.
            </p>
          </div>
        </InTurn>
        <InTurn>
          <div>
            <MeasureList
              v-if="data.measure.all"
              title="Measure"
              :entries="data.measure.shown"
              :more="data.measure.all - data.measure.shown.length"
              more-to="/clients?sort=due"
              :busy
              @start="start"
            />
            <MeasureList
              v-if="data.week.all"
              title="This week"
              :entries="data.week.shown"
              :more="data.week.all - data.week.shown.length"
              more-to="/calendar"
              :busy
              by-day
              @start="start"
            />
            <p class="pb-5 text-faded">
              <template v-if="data.rest">{{ others }}; nothing to do. </template>
              <NuxtLink to="/clients" class="underline">All clients</NuxtLink>
              <NuxtLink to="/clients/new" class="pl-4 underline">Add a client</NuxtLink>
            </p>
          </div>
        </InTurn>
      </div>
    </template>
  </main>
</template>

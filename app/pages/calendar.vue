<script setup lang="ts">
import { addDays, addMonths, isoDateOf, PREPARATION, reminderGreeting, weekdayOf } from '#core'
import type { Calendar } from '#shared/contract/calendar'
import { calendar, clients } from '~/contract'

await breathe()

usePageTitle(() => t('calendar.calendar'))

const route = useRoute()
const router = useRouter()
const month = computed(() => {
  const asked = String(route.query.month ?? '')
  return /^\d{4}-\d{2}$/.test(asked)
    ? `${asked}-01`
    : `${new Date().toLocaleDateString('sv-SE').slice(0, 7)}-01`
})
/** Monday of the first week to Sunday of the last. */
const days = computed(() => {
  const first = addDays(month.value, -weekdayOf(month.value))
  const end = addMonths(month.value, 1)
  const all: string[] = []
  for (let day = first; day < end || weekdayOf(day) !== 0; day = addDays(day, 1)) all.push(day)
  return all
})
const { data, error, refresh } = await useAsyncData(
  'calendar',
  () => callApi(calendar.month, { query: { from: days.value[0]!, to: days.value.at(-1)! } }),
  { watch: [month] },
)
await breathe()
type Entry = Calendar['entries'][number]
const on = (day: string) => data.value?.entries.filter(({ dueOn }) => dueOn === day) ?? []
const visitsOn = (day: string) =>
  data.value?.appointments.filter(({ startsAt }) => isoDateOf(new Date(startsAt)) === day) ?? []

function go(by: number) {
  void router.replace({ query: { month: addMonths(month.value, by).slice(0, 7) } })
}
/** Whether anybody is due in the month itself. */
const inMonth = computed(() =>
  data.value?.entries.some(({ dueOn }) => dueOn.slice(0, 7) === month.value.slice(0, 7)),
)
const title = computed(() => monthText(month.value))

/* A name is dragged to another day; without a mouse the dialog moves it. */
const { trouble, done, submit } = useSubmit()
async function move({ clientId, name }: Entry, day: string | null) {
  const said = day ? `${name}: ${formatDate(day)}` : t('calendar.nameUsualDays', { name })
  const call = () => callApi(clients.change, { params: { id: clientId }, body: { nextDueOn: day } })
  if (await submit(call, said)) await refresh()
}
/** Only a browser drags. */
const dragging = () => import('@atlaskit/pragmatic-drag-and-drop/element/adapter')
const over = ref<string>()
/** What ends the dragging of an element, once it is gone. */
const ends = new WeakMap<HTMLElement, () => void>()
const unmounted = (element: HTMLElement) => ends.get(element)?.()
const vDay = {
  unmounted,
  mounted: async (element: HTMLElement, { value: day }: { value: string }) => {
    const { dropTargetForElements } = await dragging()
    const end = dropTargetForElements({
      element,
      onDragEnter: () => (over.value = day),
      onDragLeave: () => (over.value = undefined),
      onDrop: ({ source }) => {
        over.value = undefined
        const entry = source.data.entry as Entry
        if (entry.dueOn !== day) void move(entry, day)
      },
    })
    ends.set(element, end)
  },
}
const vEntry = {
  unmounted,
  mounted: async (element: HTMLElement, { value: entry }: { value: Entry }) => {
    const { draggable } = await dragging()
    ends.set(element, draggable({ element, getInitialData: () => ({ entry }) }))
  },
}

const opened = ref<Entry>()
const newDay = ref('')
watch(opened, (entry) => (newDay.value = entry?.dueOn ?? ''))
/** A reminder to copy: when, and how to come prepared. */
const reminder = computed(() => {
  if (!opened.value) return ''
  const { name, dueOn } = opened.value
  const lines = tellAll(PREPARATION).map((line) => `- ${line}`)
  return [tell(reminderGreeting(firstName(name), dueOn)), '', ...lines].join('\n')
})
const copied = ref(false)
const text = useTemplateRef<HTMLTextAreaElement>('text')
async function copy() {
  text.value?.select()
  // Without a secure context there is no clipboard: the text is selected for the coach to copy.
  copied.value =
    (await navigator.clipboard?.writeText(reminder.value).then(
      () => true,
      () => false,
    )) ?? false
}
const today = computed(() => data.value?.today ?? '')
const WEEKDAYS = weekdayNames()
</script>

<template>
  <main class="mx-auto max-w-6xl px-4 py-6 sm:px-6">
    <div class="flex flex-wrap items-end justify-between gap-3 pb-3">
      <h1 class="text-[40px]">{{ title }}</h1>
      <div class="flex flex-wrap gap-2 print:hidden">
        <button type="button" class="button" @click="go(-1)">{{ t('calendar.before') }}</button>
        <button type="button" class="button" @click="go(1)">{{ t('calendar.next') }}</button>
        <NuxtLink to="/reminders" class="button">{{ t('calendar.reminders') }}</NuxtLink>
        <a href="/api/calendar.ics" class="button" download>{{ t('calendar.icsEverybody') }}</a>
      </div>
    </div>
    <LoadTrouble :error />
    <p class="pb-2 text-faded">
      {{ t(inMonth ? 'calendar.dragNameAnotherDayOr' : 'calendar.nobodyDue') }}
      <span role="status" class="text-ink">{{ done }}</span>
    </p>
    <AlertLine :text="trouble" />
    <InTurn>
      <ol class="grid sm:grid-cols-7" data-test="month">
        <li
          v-for="(name, i) in WEEKDAYS"
          :key="name"
          aria-hidden="true"
          class="border-b-2 border-ink px-2 pb-1 max-sm:hidden"
          :style="{ order: i - 100 }"
        >
          {{ name }}
        </li>
        <li
          v-for="day in days"
          :key="day"
          v-day="day"
          :data-day="day"
          class="border-line px-2 py-1 sm:min-h-24 sm:border-r sm:border-b"
          :class="[
            day.slice(0, 7) === month.slice(0, 7) ? '' : 'bg-board max-sm:hidden',
            day === today ? 'outline-3 -outline-offset-3 outline-leaf' : '',
            over === day ? 'bg-white' : '',
            on(day).length || visitsOn(day).length ? '' : 'max-sm:hidden',
          ]"
        >
          <span class="text-faded">
            <span class="sm:hidden">{{ WEEKDAYS[weekdayOf(day)] }} </span>{{ formatDate(day) }}
          </span>
          <ul v-if="visitsOn(day).length" data-test="visits">
            <li v-for="visit in visitsOn(day)" :key="`${visit.clientId} ${visit.startsAt}`">
              <NuxtLink
                :to="`/clients/${visit.clientId}/notes`"
                class="flex min-h-11 items-center gap-1.5 leading-tight"
              >
                <span class="figure">{{ timeText(visit.startsAt) }}</span>
                <span>{{ visit.name }}</span>
              </NuxtLink>
            </li>
          </ul>
          <ul>
            <li v-for="entry in on(day)" :key="`${entry.clientId} ${day}`">
              <button
                v-entry="entry"
                type="button"
                class="min-h-11 w-full rounded border-l-4 px-1.5 text-left leading-tight"
                :class="day < today ? 'border-clay bg-clay-wash' : 'border-leaf bg-board'"
                @click="opened = entry"
              >
                {{ entry.name }}
                <span v-if="entry.moved" class="text-faded">{{ t('calendar.moved') }}</span>
                <span v-if="day < today" class="sr-only">{{ t('calendar.overdue') }}</span>
              </button>
            </li>
          </ul>
        </li>
      </ol>
    </InTurn>
    <AskDialog :title="opened?.name ?? ''" :open="opened !== undefined" @close="opened = undefined">
      <template v-if="opened">
        <form
          class="flex flex-wrap items-end gap-3"
          @submit.prevent="(move(opened, newDay), (opened = undefined))"
        >
          <TextField
            id="new-day"
            v-model="newDay"
            :label="t('calendar.nextCheck')"
            type="date"
            data-first
          />
          <button type="submit" class="button button-lead">{{ t('calendar.move') }}</button>
          <button
            v-if="opened.moved"
            type="button"
            class="button"
            @click="(move(opened, null), (opened = undefined))"
          >
            {{ t('calendar.usualDaysAgain') }}
          </button>
        </form>
        <FieldRow id="reminder" :label="t('calendar.reminder')" class="pt-4">
          <textarea id="reminder" ref="text" class="field" rows="7" readonly :value="reminder" />
        </FieldRow>
        <div class="flex flex-wrap gap-3 pt-3">
          <button type="button" class="button" @click="copy">
            {{ copied ? t('calendar.copied') : t('calendar.copy') }}
          </button>
          <a :href="`/api/calendar.ics?client=${opened.clientId}`" class="button" download>{{
            t('calendar.ics')
          }}</a>
          <NuxtLink :to="`/clients/${opened.clientId}`" class="button">{{
            t('calendar.client')
          }}</NuxtLink>
          <button type="button" class="button" @click="opened = undefined">
            {{ t('calendar.close') }}
          </button>
        </div>
      </template>
    </AskDialog>
  </main>
</template>

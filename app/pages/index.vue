<script setup lang="ts">
import { formatDate } from '#core'
import type { TodayEntry } from '#shared/contract/today'
import { today } from '~/contract'

await breathe()

const { data, error } = await useAsyncData('today', () => callApi(today, {}))
await breathe()
const { start, busy, trouble } = useStartCheckIn()

useHead({ title: 'Today · Oak Pinch' })

/** Those who come up next; everybody is under Clients. */
const SOON = 25

interface Section {
  title: string
  entries: TodayEntry[]
}

const sections = computed<Section[]>(() => {
  const entries = data.value?.entries ?? []
  const closed = entries.filter(({ open }) => !open)
  const of = (state: TodayEntry['state']) =>
    closed
      .filter((entry) => entry.state === state)
      .sort((a, b) => (b.daysPast ?? 0) - (a.daysPast ?? 0))
  return [
    { title: 'Under way', entries: entries.filter(({ open }) => open) },
    { title: 'Late', entries: of('late') },
    { title: 'Due', entries: of('due') },
    { title: 'Not measured yet', entries: of('first') },
    { title: 'Coming up', entries: of('coming').slice(0, SOON) },
  ].filter((section) => section.entries.length > 0)
})

const heading = computed(() => {
  const count = (title: string) =>
    sections.value.find((g) => g.title === title)?.entries.length ?? 0
  const parts = [
    [count('Under way'), 'under way'],
    [count('Late'), 'late'],
    [count('Due'), 'due'],
  ].flatMap(([n, word]) => (n ? [`${n} ${word}`] : []))
  return parts.length ? `${parts.join(', ')}.` : 'Nobody is due.'
})

function when({ open, state, daysPast, dueOn }: TodayEntry) {
  if (open) return `${open.readings} ${open.readings === 1 ? 'reading' : 'readings'} in`
  if (state === 'first') return 'first check-in'
  const days = Math.abs(daysPast!)
  const span = `${days} ${days === 1 ? 'day' : 'days'}`
  if (state === 'late') return `${span} late`
  if (state === 'due') return daysPast === 0 ? 'due today' : `due since ${formatDate(dueOn!)}`
  return `in ${span}, ${formatDate(dueOn!)}`
}
</script>

<template>
  <main class="mx-auto max-w-4xl px-4 py-6 sm:px-6">
    <p v-if="error" role="alert" class="font-bold text-clay">{{ error.message }}</p>
    <template v-if="data">
      <p class="text-faded">Today, {{ formatDate(data.today, true) }}</p>
      <h1 class="pt-1 pb-4 text-[40px]">{{ heading }}</h1>
      <AlertLine :text="trouble" />
      <p v-if="data.entries.length === 0" class="pb-4 text-lg">
        No clients yet. Add the first one, then start a check-in from here.
      </p>
      <section v-for="section in sections" :key="section.title" class="pb-4">
        <h2 class="border-b-2 border-ink pb-1 text-xl">{{ section.title }}</h2>
        <InTurn>
          <ul>
            <li
              v-for="entry in section.entries"
              :key="entry.client.id"
              class="flex items-center gap-4 border-b border-line py-1.5"
            >
              <div class="min-w-0 flex-1 sm:flex sm:items-baseline sm:gap-4">
                <NuxtLink
                  :to="`/clients/${entry.client.id}`"
                  class="block text-lg font-bold underline decoration-line decoration-2 underline-offset-4 sm:w-56"
                >
                  {{ entry.client.name }}
                </NuxtLink>
                <span
                  class="block sm:w-44"
                  :class="section.title === 'Late' ? 'font-bold text-clay' : 'text-ink'"
                >
                  {{ when(entry) }}
                </span>
                <span v-if="entry.lastMeasuredOn" class="hidden text-faded sm:block">
                  last {{ formatDate(entry.lastMeasuredOn) }}
                </span>
              </div>
              <button
                type="button"
                class="button"
                :class="{ 'button-lead': section.title !== 'Coming up' }"
                :disabled="busy"
                @click="start(entry.client.id)"
              >
                {{ entry.open ? 'Resume' : 'Start' }}
                <span class="sr-only">check-in of {{ entry.client.name }}</span>
              </button>
            </li>
          </ul>
        </InTurn>
      </section>
      <div class="flex flex-wrap gap-3">
        <NuxtLink to="/clients/new" class="button">Add a client</NuxtLink>
        <NuxtLink to="/clients" class="button">All clients</NuxtLink>
      </div>
    </template>
  </main>
</template>

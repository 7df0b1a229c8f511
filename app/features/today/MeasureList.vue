<script setup lang="ts">
import { formatDate, LATE_AFTER_DAYS } from '#core'
import type { TodayEntry } from '#shared/contract/today'

/** Who to measure, each with when and the way into the check-in. */
defineProps<{
  title: string
  entries: TodayEntry[]
  more: number
  moreTo: string
  busy: boolean
  /** Days by their name, for those who come up. */
  byDay?: boolean
}>()
const emit = defineEmits<{ start: [clientId: string] }>()

const isLate = ({ open, state, daysPast }: TodayEntry) =>
  !open && state !== 'first' && (daysPast ?? 0) > LATE_AFTER_DAYS
const weekday = new Intl.DateTimeFormat('en-GB', { weekday: 'short', timeZone: 'UTC' })

function when({ open, state, daysPast, dueOn }: TodayEntry, byDay: boolean) {
  if (open) return `${open.readings} ${open.readings === 1 ? 'reading' : 'readings'} in`
  if (state === 'first') return dueOn ? `first time, ${formatDate(dueOn)}` : 'first time'
  if (byDay) return `${weekday.format(new Date(`${dueOn}T00:00:00Z`))} ${formatDate(dueOn!)}`
  if (daysPast === 0) return 'today'
  return `${daysPast} ${daysPast === 1 ? 'day' : 'days'} late`
}
</script>

<template>
  <TodayList :title :more :more-to>
    <li
      v-for="entry in entries"
      :key="entry.client.id"
      class="flex items-center gap-3 border-b border-line py-1.5"
    >
      <NuxtLink :to="`/clients/${entry.client.id}`" class="name-link min-w-0 flex-1">
        {{ entry.client.name }}
      </NuxtLink>
      <span
        class="text-right"
        :class="isLate(entry) && !byDay ? 'font-bold text-clay' : 'text-faded'"
      >
        {{ when(entry, byDay) }}
      </span>
      <button
        v-if="!byDay"
        type="button"
        class="button"
        :class="{ 'button-lead': entry.state !== 'first' || entry.open }"
        :disabled="busy"
        @click="emit('start', entry.client.id)"
      >
        {{ entry.open ? 'Resume' : 'Start' }}
        <span class="sr-only">check-in of {{ entry.client.name }}</span>
      </button>
    </li>
  </TodayList>
</template>

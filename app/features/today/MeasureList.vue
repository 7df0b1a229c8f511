<script setup lang="ts">
import { LATE_AFTER_DAYS } from '#core'
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

function when({ open, state, daysPast, dueOn, comesAt }: TodayEntry, byDay: boolean) {
  if (open) return t('today.readingsSoFar', { count: open.readings })
  if (comesAt && !byDay) return t('today.comesAt', { time: timeText(comesAt) })
  if (state === 'first')
    return dueOn ? t('today.firstOn', { day: formatDate(dueOn) }) : t('today.firstTime')
  if (byDay) return `${weekdayText(dueOn!)}, ${formatDate(dueOn!)}`
  if (daysPast === 0) return t('today.dueToday')
  return t('today.overdue', { count: daysPast })
}
</script>

<template>
  <TodayList :title :more :more-to>
    <li
      v-for="entry in entries"
      :key="entry.client.id"
      class="flex items-center gap-3 border-b border-line py-1.5"
    >
      <NuxtLink :to="`/clients/${entry.client.id}`" class="name-link flex-1">
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
        {{ entry.open ? t('today.resume') : t('today.start') }}
        <span class="sr-only">{{ entry.client.name }}</span>
      </button>
    </li>
  </TodayList>
</template>

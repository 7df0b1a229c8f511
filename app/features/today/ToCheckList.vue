<script setup lang="ts">
import type { Today } from '#shared/contract/today'

/** Instruments that are out of tolerance or to be checked. */
defineProps<{ instruments: Today['instruments'] }>()
</script>

<template>
  <TodayList :title="t('today.toCheck')" :more="0" more-to="/equipment" data-test="to-check">
    <li
      v-for="instrument in instruments"
      :key="instrument.id"
      class="flex flex-wrap items-center gap-x-5 gap-y-1 border-b border-line py-2"
    >
      <NuxtLink to="/equipment" class="name-link">{{ instrument.name }}</NuxtLink>
      <p class="flex-1" :class="{ 'font-bold text-clay': instrument.what === 'out' }">
        <template v-if="instrument.what === 'out'">{{ t('today.outOfTolerance') }}</template>
        <template v-else-if="instrument.what === 'soon'">
          {{ t('today.checkIn', { count: instrument.days! }) }}
        </template>
        <template v-else-if="instrument.lastOn">
          {{ t('today.checkOverdue', { day: formatDate(instrument.lastOn, true) }) }}
        </template>
        <template v-else>{{ t('today.neverChecked') }}</template>
      </p>
    </li>
  </TodayList>
</template>

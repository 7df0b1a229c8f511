<script setup lang="ts">
import type { PlanDifference } from './plan-words'

/** What differs between two versions of a plan, line by line. */
defineProps<{ rows: readonly PlanDifference[]; was: string; now: string }>()
</script>

<template>
  <p v-if="!rows.length" data-test="differences">{{ t('plan.nothingTwoAlike') }}</p>
  <ScrollTable
    v-else
    :label="t('plan.differences')"
    class="w-full max-w-4xl"
    data-test="differences"
  >
    <thead>
      <tr class="border-b-2 border-ink">
        <td class="py-1 pr-4" />
        <th scope="col" class="py-1 pr-4 font-normal text-faded">{{ was }}</th>
        <th scope="col" class="py-1 font-normal text-faded">{{ now }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="row in rows" :key="row.name" class="border-b border-line">
        <th scope="row" class="py-1 pr-4">{{ row.name }}</th>
        <td class="pr-4">{{ row.was }}</td>
        <td>{{ row.now }}</td>
      </tr>
    </tbody>
  </ScrollTable>
</template>

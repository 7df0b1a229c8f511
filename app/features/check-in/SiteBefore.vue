<script setup lang="ts">
import type { LastValue, SiteStep, TrialScheme } from '#core'

/** What stands beside the field: what the box holds, the other readings of the site, and what it read last time. */
defineProps<{
  step: SiteStep
  /** What the open box holds already. */
  before: number | undefined
  trials: readonly (number | undefined)[]
  order: TrialScheme['order']
  last: LastValue | undefined
  show: (value: number) => string
}>()
</script>

<template>
  <dl
    class="grid flex-1 grid-cols-[auto_auto] max-sm:w-full max-sm:flex-none max-sm:grid-cols-[auto_auto_auto_auto] content-end items-baseline justify-start gap-x-5 gap-y-1 pb-2"
  >
    <template v-if="before !== undefined">
      <dt class="text-faded">{{ t('checkIn.keepsEnter') }}</dt>
      <dd class="figure text-right text-[28px]">{{ show(before) }}</dd>
    </template>
    <template v-for="(trial, i) in trials" :key="i">
      <template v-if="trial !== undefined && i !== step.trial - 1">
        <dt class="whitespace-nowrap text-faded">
          {{
            order === 'rounds'
              ? t('checkIn.round', { round: i + 1 })
              : t('checkIn.readingTrial', { trial: i + 1 })
          }}
        </dt>
        <dd class="figure text-right text-[28px]">{{ show(trial) }}</dd>
      </template>
    </template>
    <template v-if="last !== undefined">
      <dt class="text-faded">
        {{ t('checkIn.lastTimeMeasuredon', { measuredOn: formatDate(last.measuredOn) }) }}
      </dt>
      <dd class="figure text-right text-[28px]" data-test="last">{{ show(last.value) }}</dd>
    </template>
  </dl>
</template>

<script setup lang="ts">
import type { IsoDate, Phase } from '#core'

/** The phases of a plan; the one that a day lies in stands out. */
defineProps<{ phases: readonly Phase[]; today?: IsoDate }>()
</script>

<template>
  <ol class="space-y-1" data-test="phases">
    <li
      v-for="phase in phases"
      :key="phase.kind + phase.from"
      class="flex gap-3"
      :class="{ 'font-bold': today && phase.from <= today && today < phase.to }"
    >
      <strong class="w-28 shrink-0">{{ phase.kind }}</strong>
      <span class="flex-1">
        {{ t('plan.from', { from: formatDate(phase.from), to: formatDate(phase.to, true) }) }}
        <template v-if="today && phase.from <= today && today < phase.to"
          >{{ t('plan.now') }}
        </template>
        {{ tell(phase.words) }}
      </span>
    </li>
  </ol>
</template>

<script setup lang="ts">
import type { SiteStep } from '#core'
import type { SiteKind } from '~/features/check-in/useSiteEntry'

const props = defineProps<{ kind: SiteKind; step: SiteStep }>()
const emit = defineEmits<{ pick: [box: SiteStep] }>()

const { rows, show } = useSiteSheet(props.kind)
</script>

<template>
  <ol class="divide-y divide-line border-y border-line" :aria-label="t('checkIn.trialsSoFar')">
    <li
      v-for="row in rows"
      :key="row.site"
      class="flex min-h-11 items-center gap-2"
      :class="{ 'bg-white': row.site === step.site }"
    >
      <span
        class="flex-1 border-l-4 pl-2"
        :class="row.site === step.site ? 'border-leaf font-bold' : 'border-transparent'"
      >
        {{ row.name }}
      </span>
      <template v-for="(trial, i) in row.trials" :key="i">
        <button
          v-if="trial !== undefined"
          type="button"
          class="figure min-h-11 w-14 text-right text-[21px]"
          :class="{ 'text-clay underline decoration-dotted': row.apart }"
          @click="emit('pick', { site: row.site, trial: i + 1 })"
        >
          <span class="sr-only"
            >{{ t('checkIn.correctNameTrialTrial', { name: row.name, trial: i + 1 }) }}
          </span>
          {{ show(trial) }}
        </button>
        <span v-else class="w-14" />
      </template>
    </li>
  </ol>
</template>

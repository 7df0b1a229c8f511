<script setup lang="ts">
import { BRING_STEPS, type BringStep } from './useBringIn'

/** The four steps, and which one is shown. */
defineProps<{ done?: boolean }>()
const step = defineModel<BringStep>({ required: true })
</script>

<template>
  <nav :aria-label="t('records.steps')">
    <ol class="flex flex-wrap gap-y-1 max-sm:text-[15px] sm:gap-x-1 border-b-2 border-ink">
      <li v-for="(one, i) in BRING_STEPS" :key="one">
        <button
          type="button"
          class="min-h-11 px-2 text-left sm:px-4"
          :class="one === step ? 'bg-oak font-bold text-white' : 'text-faded'"
          :aria-current="one === step ? 'step' : undefined"
          :disabled="done && one !== 'bring'"
          @click="step = one"
        >
          {{ i + 1 }} {{ t(`records.stepNames.${one}`) }}
        </button>
      </li>
    </ol>
  </nav>
</template>

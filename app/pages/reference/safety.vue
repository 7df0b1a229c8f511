<script setup lang="ts">
import { SAFETY_RULES } from '#core'

/** Every rule that a plan is held against, as the screen and the server apply them. */
const PARTS = [
  {
    outcome: 'refused',
    title: t('ranges.refused'),
    words: t('ranges.nothingLiftsHereNearestPlan'),
  },
  {
    outcome: 'hold',
    title: t('ranges.hold'),
    words: t('ranges.waitsUntilWhoeverDecidesCleared'),
  },
  { outcome: 'caution', title: t('ranges.said'), words: t('ranges.planGoesTalkAboutFirst') },
] as const
const parts = PARTS.map((part) => ({
  ...part,
  rules: SAFETY_RULES.filter(({ outcome }) => outcome === part.outcome),
}))
</script>

<template>
  <ReferencePage :title="t('ranges.whatNotPlanned')" class="max-w-4xl">
    <p class="py-3 text-lg">
      {{ t('ranges.coachMeasuresExplainsSuggestsWhat') }}
    </p>
    <section v-for="part in parts" :key="part.outcome" class="pb-5" data-test="safety-rules">
      <h2 class="border-b-2 border-ink pb-1 text-xl">{{ part.title }}</h2>
      <p class="py-2">{{ part.words }}</p>
      <ul>
        <li
          v-for="rule in part.rules"
          :key="rule.id"
          class="grid gap-x-5 border-b border-line py-2 sm:grid-cols-[1.4fr_1fr]"
        >
          <span>{{ tell(rule.when) }}</span>
          <span>
            <strong>{{ tell(rule.who) }}</strong>
            <span class="block text-faded">{{ tell(rule.source) }}</span>
          </span>
        </li>
      </ul>
    </section>
  </ReferencePage>
</template>

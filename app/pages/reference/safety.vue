<script setup lang="ts">
import { SAFETY_RULES } from '#core'

/** Every rule that a plan is held against, as the screen and the server apply them. */
const PARTS = [
  {
    outcome: 'refused',
    title: 'Refused',
    words: 'Nothing lifts it here. The nearest plan that is allowed is offered.',
  },
  {
    outcome: 'hold',
    title: 'On hold',
    words: 'Waits until whoever decides it has cleared it; by whom and when is on record.',
  },
  { outcome: 'caution', title: 'Said', words: 'The plan goes on; talk about it first.' },
] as const
const parts = PARTS.map((part) => ({
  ...part,
  rules: SAFETY_RULES.filter(({ outcome }) => outcome === part.outcome),
}))
</script>

<template>
  <ReferencePage title="What is not planned" class="max-w-4xl">
    <p class="py-3 text-lg">
      A coach measures, explains and suggests. What can hurt is refused, or waits for somebody who
      is licensed to decide; local rules come first. The thresholds are from memory or common
      practice, as each line says.
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
          <span>{{ rule.when }}</span>
          <span>
            <strong>{{ rule.who }}</strong>
            <span class="block text-faded">{{ rule.source }}</span>
          </span>
        </li>
      </ul>
    </section>
  </ReferencePage>
</template>

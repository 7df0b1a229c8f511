<script setup lang="ts">
import { formatDate, type SafetyFinding } from '#core'
import { findingText } from './plan-words'

/** What stands against the plan: what is said, what waits for a clearance, and what is refused, with what is allowed. */
const emit = defineEmits<{ clear: [rule: string, by: string] }>()

const { findings, safe, shown, takeNearest } = usePlanDraft()
const clearing = ref<string>()
const by = ref('')

const wordsOf = (finding: SafetyFinding) => findingText(finding, shown.value)
const LEADS = { refused: 'Not planned here. ', hold: 'On hold. ', caution: '' } as const
const nearest = computed(() => {
  const found = safe.value?.nearest
  if (!found) return undefined
  return found.goal.kind === 'holdLean' ? 'Hold for now' : 'Take the nearest that is allowed'
})
function record(rule: string) {
  if (!by.value.trim()) return
  emit('clear', rule, by.value.trim())
  clearing.value = undefined
  by.value = ''
}
</script>

<template>
  <section data-test="plan-cautions">
    <ul>
      <li v-for="finding in findings" :key="finding.rule" class="mb-2 caution">
        <strong>{{ LEADS[finding.outcome] }}</strong>{{ wordsOf(finding) }}
        <span v-if="finding.clearedBy" class="block" data-test="cleared">
          Cleared by {{ finding.clearedBy.by }} on {{ formatDate(finding.clearedBy.on, true) }}.
        </span>
        <template v-else-if="finding.outcome === 'hold'">
          <span class="block">Decided by {{ finding.who }}.</span>
          <form
            v-if="clearing === finding.rule"
            class="flex flex-wrap items-end gap-3 pt-2"
            @submit.prevent="record(finding.rule)"
          >
            <div>
              <label for="cleared-by" class="block pb-1 font-bold">Who cleared it</label>
              <input id="cleared-by" v-model="by" class="field" autocomplete="off" />
            </div>
            <button class="button">Put on record</button>
            <button type="button" class="button" @click="clearing = undefined">Cancel</button>
          </form>
          <button v-else type="button" class="mt-2 button" @click="clearing = finding.rule">
            It was cleared…
          </button>
        </template>
      </li>
    </ul>
    <p v-if="findings.some(({ outcome }) => outcome !== 'caution')" class="pb-2">
      <NuxtLink to="/reference/safety" class="underline">What is not planned, and why</NuxtLink>
    </p>
    <button v-if="nearest" type="button" class="button" @click="takeNearest">{{ nearest }}</button>
  </section>
</template>

<script setup lang="ts">
import type { SafetyFinding } from '#core'
import { clearedText, findingText } from './plan-words'

/** What stands against the plan: what is said, what waits for a clearance, and what is refused, with what is allowed. */
const emit = defineEmits<{ clear: [rule: string, by: string] }>()

const { findings, safe, shown, takeNearest } = usePlanDraft()
const clearing = ref<string>()
const by = ref('')

const wordsOf = (finding: SafetyFinding) => findingText(finding, shown.value)
const LEADS = {
  refused: t('planner.notPlannedLead'),
  hold: t('planner.holdLead'),
  caution: '',
} as const
const nearest = computed(() => {
  const found = safe.value?.nearest
  if (!found) return undefined
  return found.goal.kind === 'holdLean' ? t('planner.holdNow') : t('planner.useNearest')
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
        <strong>{{ LEADS[finding.outcome] }}</strong>
        {{ wordsOf(finding) }}
        <span v-if="finding.clearedBy" class="block" data-test="cleared">
          {{ clearedText(finding.clearedBy) }}
        </span>
        <template v-else-if="finding.outcome === 'hold'">
          <span class="block">{{ t('planner.decidedBy', { who: finding.who }) }}</span>
          <form
            v-if="clearing === finding.rule"
            class="flex flex-wrap items-end gap-3 pt-2"
            @submit.prevent="record(finding.rule)"
          >
            <div>
              <label for="cleared-by" class="block pb-1 font-bold">{{
                t('planner.whoCleared')
              }}</label>
              <input id="cleared-by" v-model="by" class="field" autocomplete="off" />
            </div>
            <button class="button">{{ t('planner.putRecord') }}</button>
            <button type="button" class="button" @click="clearing = undefined">
              {{ t('common.cancel') }}
            </button>
          </form>
          <button v-else type="button" class="mt-2 button" @click="clearing = finding.rule">
            {{ t('planner.recordClearance') }}
          </button>
        </template>
      </li>
    </ul>
    <p v-if="findings.some(({ outcome }) => outcome !== 'caution')" class="pb-2">
      <NuxtLink to="/reference/safety" class="link">{{ t('planner.whatNotPlannedWhy') }}</NuxtLink>
    </p>
    <button v-if="nearest" type="button" class="button" @click="takeNearest">{{ nearest }}</button>
  </section>
</template>

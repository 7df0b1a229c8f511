<script setup lang="ts">
import {
  fixed,
  followUp,
  formatDate,
  lookAtRecord,
  massIn,
  RESTING_FORMS,
  signed,
  startOfPlan,
  type ClientRecordParts,
  type MassUnit,
} from '#core'
import type { Plan } from '#shared/contract/plans'

/** The plan in force against the record since. */
const props = defineProps<{
  plan: Plan
  /** The record, with the plan's beginning as that of a phase. */
  record: ClientRecordParts
  unit: MassUnit
  /** Nothing new is planned while a caution stands against it. */
  stopped: boolean
}>()
const emit = defineEmits<{ replan: []; end: [] }>()

const definition = computed(() => props.plan.definition)
/** The newest check-in, where it is one since. */
const newest = computed(() => {
  const last = props.record.checkIns.at(-1)
  return last && last.measuredOn > props.plan.startedOn ? last : undefined
})
const result = computed(() => {
  const look = newest.value && lookAtRecord(props.record)
  if (!look) return undefined
  const start = startOfPlan(props.record.person, props.plan)
  return followUp(look, { ...props.plan, ...definition.value, start })
})
const show = (kg: number) => `${fixed(massIn(kg, props.unit), 1)} ${props.unit}`
const kcal = (value: number) => signed(value, 0)
</script>

<template>
  <section data-test="follow-up">
    <p class="text-faded">
      Plan since {{ formatDate(plan.startedOn, true) }}, {{ definition.weeks }} weeks,
      {{ fixed(definition.intakeKcal, 0) }} kcal a day ·
      {{ RESTING_FORMS[definition.form].name }}
    </p>
    <template v-if="result">
      <h2 class="figure pt-1 text-[34px] sm:text-[44px]" data-test="standing-of-plan">
        {{ result.words }}
      </h2>
      <p class="text-lg">
        After {{ fixed(result.weeks, 0) }} weeks the plan wants {{ show(result.wantedFatKg) }} of
        fat. The whole record says {{ show(result.fatKg) }}, give or take
        {{ show(result.reachKg) }}.
      </p>
      <p>
        Energy balance by fat and lean: {{ kcal(result.observedKcal) }} kcal a day (95% range
        {{ kcal(result.observedInterval[0]) }} to {{ kcal(result.observedInterval[1]) }}); planned
        {{ kcal(result.plannedKcal) }}.
      </p>
    </template>
    <p v-else class="pt-1 text-lg">
      {{
        newest
          ? 'Two weeks are the least after which something can be said of this plan.'
          : 'The next check-in is held against this plan.'
      }}
    </p>
    <div class="flex flex-wrap gap-3 pt-3 print:hidden">
      <button v-if="newest && !stopped" type="button" class="button" @click="emit('replan')">
        Plan again from here
      </button>
      <button type="button" class="button" @click="emit('end')">End this plan</button>
    </div>
  </section>
</template>

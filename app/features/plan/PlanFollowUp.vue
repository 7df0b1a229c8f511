<script setup lang="ts">
import {
  followUp,
  isoDateOf,
  lookAtRecord,
  startOfPlan,
  weeksOut,
  type ClientRecordParts,
  type MassUnit,
} from '#core'
import type { Plan } from '#shared/contract/plans'
import { endOfPlan } from './plan-words'

/** How the record stands to the plan in force, and how long it is to its day. */
const props = defineProps<{
  plan: Plan
  /** The record, with the plan's beginning as that of a phase. */
  record: ClientRecordParts
  unit: MassUnit
}>()

const today = isoDateOf(new Date())
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
const over = computed(() => {
  const end = definition.value.goal.date ?? endOfPlan(props.plan)
  return end < today ? end : undefined
})
const out = computed(() => {
  const { date } = definition.value.goal
  return date && date >= today ? weeksOut(today, date) : undefined
})
const lengthUnit = useLengthUnit()
const units = computed(() => ({ mass: props.unit, length: lengthUnit.value }))
const show = (change: number) => {
  const { quantity } = result.value!
  return `${signedQuantity(quantity, change, units.value)} ${unitOfQuantity(quantity, units.value)}`
}
const kcal = (value: number) => signed(value, 0)
</script>

<template>
  <section data-test="follow-up">
    <p v-if="out !== undefined" class="figure text-[28px] text-leaf" data-test="countdown">
      {{ out === 0 ? t('plan.lessThanWeekGo') : t('plan.weeksOut', { count: out }) }}
    </p>
    <template v-if="result">
      <h2 class="figure pt-1 text-[34px] sm:text-[44px]" data-test="standing-of-plan">
        {{ tell(result.words) }}
      </h2>
      <p class="text-lg">
        {{
          t('plan.askedAndFound', {
            day: formatDate(result.since, true),
            quantity: quantityTitle(result.quantity),
            wanted: show(result.wanted),
            change: show(result.change),
            reach: show(result.reach).slice(1),
          })
        }}
      </p>
      <p v-if="result.energy">
        {{
          t('plan.energyBalance', {
            observed: kcal(result.energy.observedKcal),
            low: kcal(result.energy.interval[0]),
            high: kcal(result.energy.interval[1]),
            planned: kcal(result.energy.plannedKcal),
          })
        }}
      </p>
    </template>
    <p v-if="over" class="caution" data-test="plan-over">
      {{ t('plan.over', { day: formatDate(over, true) }) }}
    </p>
    <p v-else-if="!result" class="pt-1 text-lg">
      <template v-if="plan.startedOn > today">
        {{ t('plan.startsOn', { day: formatDate(plan.startedOn, true) }) }}
      </template>
      <template v-else-if="definition.goal.kind === 'holdLean'">
        {{ t('plan.thereNothingGainOrLose') }}
      </template>
      <template v-else-if="newest">
        {{ t('plan.twoWeeksLeastAfterWhich') }}
      </template>
      <template v-else>{{ t('plan.nextCheckComparedThisPlan') }}</template>
    </p>
  </section>
</template>

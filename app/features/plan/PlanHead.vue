<script setup lang="ts">
import { capital } from '#core'
import type { Plan } from '#shared/contract/plans'
import { dayOfInstant, goalWithDay, versionOf } from './plan-words'

/** What a plan is for, which version it is, who made it and when. */
const props = defineProps<{
  plan: Plan
  plans: readonly Plan[]
  shown: boolean
}>()

const how = usePlanShown(() => props.shown)
const goal = computed(() => capital(goalWithDay(props.plan.definition.goal, how.value)))
const version = computed(() => versionOf(props.plan, props.plans))
const state = computed(() => {
  const { refused, replacedAt, id } = props.plan
  if (refused) return t('plan.refused')
  if (!replacedAt) return ''
  return props.plans.some(({ changes }) => changes === id)
    ? t('plan.changedOn', { day: dayOfInstant(replacedAt) })
    : t('plan.endedOn', { day: dayOfInstant(replacedAt) })
})
</script>

<template>
  <header class="pb-2" data-test="plan-head">
    <h2 class="figure text-[34px] sm:text-[40px]">{{ goal }}</h2>
    <p class="text-faded">
      {{ madeText(plan, version) }}
      <template v-if="state"> · {{ state }}</template>
    </p>
  </header>
</template>

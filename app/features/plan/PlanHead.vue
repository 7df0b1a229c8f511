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
  if (refused) return 'refused'
  if (!replacedAt) return ''
  return props.plans.some(({ changes }) => changes === id)
    ? `changed on ${dayOfInstant(replacedAt)}`
    : `ended on ${dayOfInstant(replacedAt)}`
})
</script>

<template>
  <header class="pb-2" data-test="plan-head">
    <h2 class="figure text-[34px] sm:text-[40px]">{{ goal }}</h2>
    <p class="text-faded">
      {{ version > 1 ? `Version ${version}, made` : plan.refused ? 'Asked for' : 'Made' }} on
      {{ dayOfInstant(plan.createdAt) }}<template v-if="plan.madeBy"> by {{ plan.madeBy }}</template
      ><template v-if="state">, {{ state }}</template
      >.
    </p>
  </header>
</template>

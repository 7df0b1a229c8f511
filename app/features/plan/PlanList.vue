<script setup lang="ts">
import { capital } from '#core'
import type { Plan } from '#shared/contract/plans'
import { dayOfInstant, findingText, goalWithDay, versionOf } from './plan-words'

/** The plans that are not in force any more, or never were: each can be read. */
const props = defineProps<{
  clientId: string
  plans: readonly Plan[]
  shown: boolean
}>()

const how = usePlanShown(() => props.shown)
const why = (findings: Plan['findings']) => {
  const first = findings.find(({ outcome }) => outcome === 'refused')
  return first ? findingText(first, props.shown) : ''
}
const rows = computed(() =>
  props.plans
    .filter(({ replacedAt }) => replacedAt !== null)
    .map((plan) => {
      const { refused, findings, definition, startedOn, createdAt, replacedAt, id } = plan
      const version = versionOf(plan, props.plans)
      return {
        ...{ id, goal: capital(goalWithDay(definition.goal, how.value)) },
        words: refused
          ? t('plan.refusedOn', { day: dayOfInstant(createdAt), why: why(findings) })
          : [
              ...(version > 1 ? [t('plan.version', { version })] : []),
              t('plan.wasInForce', {
                from: formatDate(startedOn, true),
                to: dayOfInstant(replacedAt!),
                count: Math.round(definition.weeks),
              }),
            ].join(' · '),
      }
    }),
)
</script>

<template>
  <FoldOut
    v-if="rows.length"
    :title="t('plan.earlierPlans', { count: rows.length })"
    data-test="old-plans"
  >
    <ul>
      <li v-for="row in rows" :key="row.id" class="border-b border-line py-2">
        <NuxtLink :to="`/clients/${clientId}/plan/${row.id}`" class="link">
          {{ row.goal }}
        </NuxtLink>
        · {{ row.words }}
      </li>
    </ul>
  </FoldOut>
</template>

<script setup lang="ts">
import { plans as routes } from '~/contract'
import { planDifferences } from '~/features/plan/plan-words'

/* A plan of before, or one that was refused, and what differs from it now. */

await breathe()

const route = useRoute()
const { id, view, error, measured } = await useClientRecord('client.plan')
const { data: kept } = await useAsyncData(`plans-${id}`, () =>
  callApi(routes.list, { params: { id } }),
)

const massUnit = useMassUnit()
const { hiding, shown, asked } = usePercentages(() => view.value?.client)
const { plans, inForce, record } = usePlans(kept, view, measured)
await workOut(record)

const plan = computed(() => plans.value.find((one) => one.id === route.params.version))
/** What it is compared with: the version that changed it, else the plan in force. */
const other = computed(() => {
  const changed = plans.value.find(({ changes }) => changes === plan.value?.id)
  const found = changed ?? inForce.value
  return found && found.id !== plan.value?.id ? found : undefined
})
const how = usePlanShown(() => shown.value)
const differences = computed(() =>
  plan.value && other.value ? planDifferences(plan.value, other.value, how.value) : [],
)
</script>

<template>
  <ClientPage :view :error>
    <PercentagesChoice v-if="hiding" v-model="asked" :name="view.client.name" class="pb-3" />
    <p v-if="!plan" class="text-lg">{{ t('plan.thereNoSuchPlanThis') }}</p>
    <template v-else>
      <p>
        <NuxtLink :to="`/clients/${id}/plan`" class="underline">{{ t('plan.planForce') }}</NuxtLink>
      </p>
      <PlanHead :plan :plans :shown />
      <section v-if="other && !plan.refused" class="py-4">
        <h3 class="pb-1 text-lg font-bold">
          {{
            other.changes === plan.id
              ? t('plan.whatVersionAfterChanged')
              : t('plan.whatPlanForceOtherwise')
          }}
        </h3>
        <PlanDifferences
          :rows="differences"
          :was="t('plan.thisOne')"
          :now="other.changes === plan.id ? t('plan.versionAfter') : t('plan.planForce2')"
        />
      </section>
      <PlanRead :plan :record :unit="massUnit" :shown :measured class="pt-4" />
    </template>
  </ClientPage>
</template>

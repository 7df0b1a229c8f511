<script setup lang="ts">
import type { Plan } from '#shared/contract/plans'
import { plans as routes } from '~/contract'

/* The plan in force, changed into a new version; or, with `?new`, another plan in its place. */

await breathe()

const route = useRoute()
const { id, view, error, measured } = await useClientRecord('client.plan')
const params = { id }
const { data: kept } = await useAsyncData(`plans-${id}`, () => callApi(routes.list, { params }))

const { hiding, shown, asked } = usePercentages(() => view.value?.client)
const { inForce, record, take, takeCleared } = usePlans(kept, view, measured)
await workOut(record)
const changes = inForce.value && route.query.new === undefined ? inForce.value : undefined

async function read(all: Plan[]) {
  take(all)
  await navigateTo(`/clients/${id}/plan`)
}
</script>

<template>
  <ClientPage :view :error>
    <PercentagesChoice v-if="hiding" v-model="asked" :name="view.client.name" class="pb-3" />
    <p v-if="inForce" class="text-lg">
      {{ t('planner.currentStays') }}
      <NuxtLink :to="`/clients/${id}/plan`" class="link">{{ t('planner.viewCurrent') }}</NuxtLink>
    </p>
    <PlanMaker
      v-if="kept && view"
      :view
      :measured
      :record
      :kept
      :shown
      :changes
      :replaces="inForce !== undefined"
      @kept="read"
      @refused="take"
      @cleared="takeCleared"
    />
  </ClientPage>
</template>

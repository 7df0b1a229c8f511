<script setup lang="ts">
import type { Plan } from '#shared/contract/plans'
import { plans as routes } from '~/contract'

await breathe()

const { id, view, error, measured } = await useClientRecord('client.plan')
const params = { id }
const { data: kept } = await useAsyncData(`plans-${id}`, () => callApi(routes.list, { params }))

const massUnit = useMassUnit()
const { hiding, shown, asked } = usePercentages(() => view.value?.client)
const { plans, inForce, record, take, takeCleared } = usePlans(kept, view, measured)
await workOut(record)

const { trouble, busy, submit } = useSubmit()
/** What was done, also where the part that did it is gone. */
const said = ref('')
function takeAndSay(all: Plan[], what: string) {
  take(all)
  said.value = what
}

/** Ended only after it was asked for a second time. */
const ending = ref(false)
async function end() {
  const all = await submit(() => callApi(routes.end, { params }))
  if (!all) return
  ending.value = false
  takeAndSay(all, t('plan.planEndedStaysRecord'))
}
</script>

<template>
  <ClientPage :view :error>
    <PercentagesChoice v-if="hiding" v-model="asked" :name="view.client.name" class="pb-3" />
    <p role="status" class="min-h-7 font-bold text-leaf">{{ said }}</p>
    <template v-if="inForce">
      <PlanHead :plan="inForce" :plans :shown />
      <InTurn v-if="shown" unasked>
        <PlanFollowUp :plan="inForce" :record :unit="massUnit" />
      </InTurn>
      <div class="flex flex-wrap gap-3 py-4 print:hidden">
        <NuxtLink :to="`/clients/${id}/plan/change`" class="button button-lead">
          {{ t('plan.changeThisPlan') }}
        </NuxtLink>
        <NuxtLink :to="`/clients/${id}/plan/sheet`" class="button">{{
          t('plan.sheetClient')
        }}</NuxtLink>
        <button type="button" class="button" @click="ending = true">
          {{ t('plan.endThisPlan') }}
        </button>
      </div>
      <InTurn>
        <AskForm
          :title="t('plan.endThisPlan2')"
          :open="ending"
          :trouble
          :busy
          :action="t('plan.endPlan')"
          :leave="t('common.cancel')"
          @close="ending = false"
          @keep="end"
        >
          <p>{{ t('plan.checkInsNoLongerCompared') }}</p>
        </AskForm>
      </InTurn>
      <PlanRead :plan="inForce" :record :unit="massUnit" :shown :measured />
    </template>
    <PlanMaker
      v-else-if="kept && view"
      :view
      :measured
      :record
      :kept
      :shown
      @kept="(all) => takeAndSay(all, t('plan.saved'))"
      @refused="(all) => takeAndSay(all, '')"
      @cleared="takeCleared"
    />
    <PlanList v-if="view" :client-id="id" :plans :shown class="pt-6" />
  </ClientPage>
</template>

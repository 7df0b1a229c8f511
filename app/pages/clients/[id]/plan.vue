<script setup lang="ts">
import {
  ADULT,
  fatPercentOfStart,
  fixed,
  formatDate,
  formatMass,
  isoDateOf,
  isSkinfold,
  massIn,
  massOfStart,
  partsOfRecord,
  sheetOf,
  type ScreeningFlag,
} from '#core'
import { v4 as newId } from 'uuid'
import type { Plan, PlanDefinition } from '#shared/contract/plans'
import { plans as routes } from '~/contract'
import { GOAL_KINDS_NAMED } from '~/features/plan/usePlanDraft'

await breathe()

const { id, view, error, measured } = await useClientRecord('plan')
const params = { id }
const { data: kept } = await useAsyncData(`plans-${id}`, () => callApi(routes.list, { params }))

const massUnit = useMassUnit()
const { hiding, shown, asked } = usePercentages(() => view.value?.client)

const flags = computed(() => (kept.value?.flags ?? []) as ScreeningFlag[])
const clearances = computed(() => kept.value?.clearances ?? [])
// Where the client is not there, there is no record.
const record = computed(() => view.value && partsOfRecord(view.value, measured.value))
const draft = providePlanDraft({
  client: computed(() => view.value.client),
  ...{ measured, record, flags, clearances, shown },
  training: kept.value?.training ?? undefined,
})
const { newest, start, findings, stopped, timeline, energy, training, plan, takeOver } = draft
await workOut(start, draft.drafted, draft.cadence)

const plans = computed(() => kept.value?.plans ?? [])
const inForce = computed(() => plans.value.find(({ replacedAt }) => replacedAt === null))
/** The record with the plan as it is now, which may have been kept here. */
const withPlan = computed(() =>
  partsOfRecord({ ...view.value, planInForce: inForce.value ?? null }, measured.value),
)
const old = computed(() => plans.value.filter(({ replacedAt }) => replacedAt !== null))

const { trouble, done, submit } = useSubmit()
async function change(run: () => Promise<Plan[]>, words: string) {
  const all = await submit(run, words)
  if (all) kept.value = { ...kept.value!, plans: all }
}
function keep() {
  const body = plan.value
  if (body) return change(() => callApi(routes.keep, { params, body }), 'Saved.')
}
/** The same wish and pace from the body of the last check-in; the old plan is kept. */
function replan() {
  takeOver(inForce.value!.definition)
  return nextTick(keep)
}
/** Records who lifted a hold. */
async function clear(rule: string, by: string) {
  const body = { id: newId(), rule, by, on: isoDateOf(new Date()) }
  const all = await submit(() => callApi(routes.clear, { params, body }), 'Recorded.')
  if (all) kept.value = { ...kept.value!, clearances: all }
}
const end = () => change(() => callApi(routes.end, { params }), 'The plan is ended, and kept.')

const mass = (kg: number) => formatMass(kg, massUnit.value)
const goalWords = ({ goal: g }: PlanDefinition) =>
  `${GOAL_KINDS_NAMED.find(({ value }) => value === g.kind)!.name}${g.value === undefined || (!shown.value && g.kind.startsWith('fat')) ? '' : ` ${fixed(g.kind === 'mass' || g.kind === 'fatMass' ? massIn(g.value, massUnit.value) : g.value, 1)}`}`
const adult = computed(() => (start.value?.ageYears ?? ADULT) >= ADULT)
const foldsTaken = computed(
  () =>
    newest.value &&
    sheetOf(view.value.client, newest.value).measured.some(({ site }) => isSkinfold(site)),
)
</script>

<template>
  <ClientPage :view :error>
    <PercentagesChoice v-if="hiding" v-model="asked" :name="view.client.name" class="pb-3" />
    <p v-if="!start" class="text-lg">
      A plan starts from a check-in with an estimate and a body mass.
    </p>
    <template v-else>
      <InTurn v-if="inForce && shown" unasked>
        <PlanFollowUp
          :key="inForce.id"
          :plan="inForce"
          :record="withPlan"
          :unit="massUnit"
          :stopped
          class="border-b-2 border-line pb-5"
          @replan="replan"
          @end="end"
        />
      </InTurn>
      <PlanSafety v-if="findings.length" class="pt-4" @clear="clear" />
      <p v-if="shown" class="pt-3 text-lg" data-test="start">
        From {{ formatDate(newest!.measuredOn, true) }}: {{ mass(massOfStart(start)) }}, fat
        {{ mass(start.fatKg) }} (about {{ fixed(fatPercentOfStart(start), 0) }} %), lean
        {{ mass(start.leanKg) }}.
      </p>
      <div class="grid gap-x-12 gap-y-6 pt-4 lg:grid-cols-2">
        <InTurn>
          <PlanGoal />
        </InTurn>
        <InTurn>
          <PlanPace />
        </InTurn>
      </div>

      <template v-if="timeline && shown && adult && !stopped">
        <InTurn unasked>
          <PlanEnergy />
        </InTurn>
        <InTurn v-if="energy?.ok">
          <NutrientPlanner
            v-model:training="training"
            :kcal="energy.value.intakeKcal"
            :mass-kg="massOfStart(start)"
            :lean-kg="start.leanKg"
            class="pt-6"
          />
        </InTurn>
      </template>

      <div v-if="timeline && !stopped" class="flex flex-wrap items-center gap-4 pt-6 print:hidden">
        <button type="button" class="button button-lead" @click="keep">
          {{ inForce ? 'Keep as the new plan' : 'Keep this plan' }}
        </button>
        <span role="status">{{ done }}</span>
      </div>
      <AlertLine :text="trouble" />
      <p class="pt-4 text-faded">
        Suggestions, not orders. A coach measures, explains and suggests; dietary treatment belongs
        to licensed practice, and local rules come first.
        <template v-if="!foldsTaken">The start stands on the tape alone.</template>
      </p>
      <FoldOut
        v-if="old.length"
        :title="`Plans before (${old.length})`"
        class="pt-4"
        data-test="old-plans"
      >
        <ul>
          <li v-for="before in old" :key="before.id" class="border-b border-line py-1">
            From {{ formatDate(before.startedOn, true) }}: {{ goalWords(before.definition) }},
            {{ before.definition.weeks }} weeks
          </li>
        </ul>
      </FoldOut>
    </template>
  </ClientPage>
</template>

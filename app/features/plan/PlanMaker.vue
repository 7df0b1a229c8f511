<script setup lang="ts">
import {
  ADULT,
  fatPercentOfStart,
  isoDateOf,
  isSkinfold,
  massOfStart,
  sheetOf,
  type Clearance,
  type ClientRecordParts,
  type Measured,
  type ScreeningFlag,
} from '#core'
import { v4 as newId } from 'uuid'
import type { CheckInWithReadings } from '#shared/contract/check-ins'
import type { ClientPlans, Plan } from '#shared/contract/plans'
import type { ClientRecord } from '#shared/contract/record'
import { plans as routes } from '~/contract'
import { planDifferences } from './plan-words'

/** Makes a plan: the wish, what follows from it, what stands against it, and keeping it. */
const props = defineProps<{
  view: ClientRecord
  measured: readonly (Measured & CheckInWithReadings)[]
  record: ClientRecordParts
  kept: ClientPlans
  shown: boolean
  /** The plan that is changed: everything begins as it has it. */
  changes?: Plan
  /** True where a plan is in force that this one takes the place of. */
  replaces?: boolean
}>()
const emit = defineEmits<{
  kept: [plans: Plan[]]
  refused: [plans: Plan[]]
  cleared: [clearances: Clearance[]]
}>()

const params = { id: props.view.client.id }
const massUnit = useMassUnit()
/** Who took the newest check-in comes first of those who measure here. */
const testers = (() => {
  const { testers: all, checkIns } = props.view
  const last = checkIns.find(({ closedAt }) => closedAt !== null)?.testerId
  return [...all].sort((a, b) => Number(b.id === last) - Number(a.id === last)).map((t) => t.name)
})()
const draft = providePlanDraft({
  client: computed(() => props.view.client),
  measured: computed(() => props.measured),
  record: computed(() => props.record),
  flags: computed(() => props.kept.flags as ScreeningFlag[]),
  clearances: computed(() => props.kept.clearances),
  shown: computed(() => props.shown),
  ...{ training: props.kept.training ?? undefined, testers },
})
const { newest, start, findings, timeline, eaten, training, nutrients, safe } = draft
const { plan, keepable, madeBy, problems } = draft
if (props.changes) draft.takeOver(props.changes)

const { trouble, done, submit } = useSubmit()
/** Everything typed counts, also what was typed just now. */
async function keep() {
  settleTyping()
  const body = plan.value
  if (!body || !keepable.value) return
  const changed = props.changes ? { ...body, changes: props.changes.id } : body
  const all = await submit(() => callApi(routes.keep, { params, body: changed }), t('plan.saved'))
  if (all) emit('kept', all)
}
/** Puts on record what is refused, and why, for the next time that it is asked for. */
async function refuse() {
  settleTyping()
  const body = plan.value
  if (!body) return
  const said = t('planner.recordWhatWasAskedWhy')
  const all = await submit(() => callApi(routes.refuse, { params, body }), said)
  if (all) emit('refused', all)
}
/** Records who lifted a hold. */
async function clear(rule: string, by: string) {
  const body = { id: newId(), rule, by, on: isoDateOf(new Date()) }
  const all = await submit(() => callApi(routes.clear, { params, body }), t('planner.recorded'))
  if (all) emit('cleared', all)
}

const mass = (kg: number) => formatMass(kg, massUnit.value)
const adult = computed(() => (start.value?.ageYears ?? ADULT) >= ADULT)
const foldsTaken = computed(
  () =>
    newest.value &&
    sheetOf(props.view.client, newest.value).measured.some(({ site }) => isSkinfold(site)),
)
/** What a change would be, before it is kept. */
const how = usePlanShown(() => props.shown)
const differences = computed(() =>
  props.changes && plan.value && keepable.value
    ? planDifferences(props.changes, plan.value, how.value)
    : undefined,
)
const isRefused = computed(() => safe.value?.outcome === 'refused' && plan.value !== undefined)
</script>

<template>
  <NeedsCheckIn
    v-if="!start"
    :client-id="view.client.id"
    :text="t('planner.planStartsFromCheckEstimate')"
  />
  <div v-else>
    <p v-if="shown" class="pt-3 text-lg" data-test="start">
      {{
        t('planner.startsFrom', {
          day: formatDate(newest!.measuredOn, true),
          mass: mass(massOfStart(start)),
          fat: mass(start.fatKg),
          percent: fixed(fatPercentOfStart(start), 0),
          lean: mass(start.leanKg),
        })
      }}
    </p>
    <div class="grid gap-x-12 gap-y-6 pt-4 lg:grid-cols-2">
      <InTurn>
        <PlanGoal />
      </InTurn>
      <InTurn>
        <PlanPace class="lg:row-span-2" />
      </InTurn>
      <PlanSafety v-if="findings.length" @clear="clear" />
    </div>

    <template v-if="eaten && shown && adult">
      <InTurn unasked>
        <PlanEnergy class="offscreen" />
      </InTurn>
      <InTurn>
        <NutrientPlanner
          v-model:training="training"
          v-model:wish="nutrients"
          :kcal="eaten.intakeKcal"
          :mass-kg="massOfStart(start)"
          :lean-kg="start.leanKg"
          class="offscreen pt-6"
        />
      </InTurn>
    </template>

    <section v-if="differences" class="pt-6">
      <h2 class="border-b-2 border-ink pb-1 text-xl">{{ t('planner.whatChanges') }}</h2>
      <PlanDifferences
        :rows="differences"
        :was="t('planner.before')"
        :now="t('planner.after')"
        class="pt-2"
      />
    </section>
    <div v-if="timeline" class="flex flex-wrap items-end gap-4 pt-6 print:hidden">
      <TextField
        id="made-by"
        v-model="madeBy"
        resting
        :label="t('planner.madeByWhom')"
        class="max-w-56"
        autocomplete="name"
      />
      <button v-if="keepable" type="button" class="button button-lead" @click="keep">
        {{
          changes
            ? t('planner.saveAsNewVersion')
            : replaces
              ? t('planner.saveAsNewPlan')
              : t('planner.savePlan')
        }}
      </button>
      <button v-if="isRefused" type="button" class="button" @click="refuse">
        {{ t('planner.recordThisRefusal') }}
      </button>
      <span role="status">{{ done }}</span>
    </div>
    <AlertLine :text="Object.values(problems).find(Boolean)" />
    <AlertLine :text="trouble" />
    <p class="pt-4 text-faded">
      {{ t('planner.suggestionsNotOrdersCoachMeasures') }}
      <template v-if="!foldsTaken">{{ t('planner.startStandsTapeAlone') }}</template>
    </p>
  </div>
</template>

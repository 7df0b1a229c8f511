<script setup lang="ts">
import {
  daysTooOld,
  DIET_NOTES,
  isoDateOf,
  lookAtRecord,
  type ClientRecordParts,
  type MassUnit,
  type Measured,
} from '#core'
import type { Plan } from '#shared/contract/plans'
import type { PicturePoint, PlanDrawn } from './picture-panels'
import {
  clearedText,
  findingText,
  nutrientsOf,
  paceKgOf,
  paceMeansText,
  phasesOfPlan,
  planAssumptions,
  planFacts,
  startOfKept,
} from './plan-words'

/** Everything that a kept plan says: its picture with every check-in since, what it asks for, and what it takes for granted. */
const props = defineProps<{
  plan: Plan
  record: ClientRecordParts
  unit: MassUnit
  shown: boolean
  measured: readonly (Measured & { id: string })[]
}>()

const today = isoDateOf(new Date())
const how = usePlanShown(() => props.shown)
const d = computed(() => props.plan.definition)
const start = computed(() => startOfKept(props.record.person, props.plan, props.measured))
/** Day of the check-in that it starts from, where it is on record. */
const measuredOn = computed(
  () => props.measured.find(({ id }) => id === d.value.checkInId)?.measuredOn,
)
const drawn = computed<PlanDrawn>(() => {
  const { goal, weeks, breaks, intakeKcal, activity, form } = d.value
  return {
    ...{ start: start.value, goal, weeks, breaks, startedOn: props.plan.startedOn },
    regime: { intakeKcal, activity, form, ...(breaks ? { breaks } : {}) },
  }
})
/** Every check-in of the plan's time, by one equation: the plan's body and what has changed since. */
const points = computed<PicturePoint[]>(() => {
  const { record, plan } = props
  const from = measuredOn.value
  if (!from) return []
  const { fatKg, leanKg } = start.value
  const first = { date: from, mass: fatKg + leanKg, fat: fatKg, lean: leanKg }
  const until = plan.replacedAt?.slice(0, 10) ?? today
  const checkIns = record.checkIns.filter((one) => one.measuredOn <= until)
  const look =
    checkIns.length > 1
      ? lookAtRecord({ ...record, checkIns }, { retrospect: { chosen: from } })
      : undefined
  const since = (look?.course('chosen') ?? []).flatMap(({ date, line: { fat, lean } }) =>
    fat && lean && date > from
      ? [
          {
            ...{ date, fat: fatKg + fat.read, lean: leanKg + lean.read },
            mass: fatKg + leanKg + fat.read + lean.read,
          },
        ]
      : [],
  )
  return [first, ...since]
})
const tooOld = computed(() =>
  measuredOn.value ? daysTooOld(measuredOn.value, props.plan.startedOn) : 0,
)
const facts = computed(() => planFacts(props.plan, how.value))
const phases = computed(() => phasesOfPlan(props.plan, start.value))
const ofDay = computed(() => (props.shown ? nutrientsOf(d.value) : undefined))
const means = computed(() =>
  d.value.goal.kind === 'holdLean' || !props.shown
    ? ''
    : paceMeansText(paceKgOf(d.value), start.value, props.unit),
)
</script>

<template>
  <div class="space-y-6">
    <p v-if="tooOld" class="caution" data-test="too-old">
      {{ t('plan.bodyTooOld', { day: formatDate(measuredOn!, true), count: tooOld }) }}
    </p>
    <div class="grid gap-x-12 gap-y-6 lg:grid-cols-[1.2fr_1fr]">
      <InTurn unasked>
        <PlanBands :plan="drawn" :points :unit :shown />
      </InTurn>
      <div class="space-y-6">
        <dl class="grid grid-cols-[auto_1fr] gap-x-5 gap-y-1" data-test="plan-facts">
          <template v-for="{ name, value } in facts" :key="name">
            <dt class="text-faded">{{ name }}</dt>
            <dd class="font-bold">{{ value }}</dd>
          </template>
          <template v-if="means">
            <dt class="text-faded">{{ t('plan.thatIs') }}</dt>
            <dd>{{ means }}</dd>
          </template>
        </dl>
        <section v-if="phases.length">
          <h3 class="pb-1 text-lg font-bold">{{ t('plan.phases') }}</h3>
          <PlanPhases :phases :today />
        </section>
        <section v-if="ofDay" data-test="plan-meal">
          <h3 class="pb-1 text-lg font-bold">
            {{ t('plan.mealsADay', { count: ofDay.meals }) }}
          </h3>
          <p>
            {{ mealText(ofDay.meal) }}
          </p>
          <p v-for="note in DIET_NOTES[ofDay.diet]" :key="tell(note)" class="pt-1">
            {{ tell(note) }}
          </p>
        </section>
        <section v-if="plan.findings.length" data-test="plan-findings">
          <h3 class="pb-1 text-lg font-bold">
            {{ plan.refused ? t('plan.whyNotPlanned') : t('plan.cautionsAccepted') }}
          </h3>
          <p v-for="finding in plan.findings" :key="finding.rule" class="mb-2 caution">
            {{ findingText(finding, shown) }}
            <template v-if="finding.clearedBy">
              {{ clearedText(finding.clearedBy) }}
            </template>
          </p>
        </section>
        <FoldOut v-if="shown" :title="t('plan.assumptions')">
          <dl class="grid grid-cols-[auto_1fr] gap-x-5 gap-y-1" data-test="assumptions">
            <template v-for="{ name, value } in planAssumptions(plan)" :key="name">
              <dt class="text-faded">{{ name }}</dt>
              <dd>{{ value }}</dd>
            </template>
          </dl>
        </FoldOut>
      </div>
    </div>
  </div>
</template>

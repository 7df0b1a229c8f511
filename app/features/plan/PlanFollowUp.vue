<script setup lang="ts">
import {
  fixed,
  followUp,
  formatDate,
  judgeChange,
  massIn,
  RESTING_FORMS,
  signed,
  USUAL_DOUBT,
  type MassUnit,
  type Person,
  type Measured,
  type StartingPoint,
} from '#core'
import type { CheckInWithReadings } from '#shared/contract/check-ins'
import type { Plan } from '#shared/contract/plans'

/** The plan in force against the check-ins since. */
const props = defineProps<{
  client: Person
  plan: Plan
  /** Oldest first. */
  measured: (Measured & CheckInWithReadings)[]
  body: Pick<StartingPoint, 'sex' | 'ageYears' | 'heightCm'>
  unit: MassUnit
  /** Nothing new is planned while a caution stands against it. */
  stopped: boolean
}>()
const emit = defineEmits<{ replan: []; end: [] }>()

const definition = computed(() => props.plan.definition)
const start = computed<StartingPoint>(() => {
  const { fatKg, leanKg, standardError } = definition.value
  return { ...props.body, fatKg, leanKg, standardError }
})
const { bands, progress } = usePlanBands(
  computed(() => ({
    start: start.value,
    regime: {
      intakeKcal: definition.value.intakeKcal,
      activity: definition.value.activity,
      form: definition.value.form,
    },
    weeks: definition.value.weeks,
    // The change is judged against its own start: the estimate's level is in both.
    doubt: { ...USUAL_DOUBT, fatPoints: 0 },
  })),
)
/** The check-in that the plan started from, and the last one since. */
const pair = computed(() => {
  const first = props.measured.find(({ id }) => id === definition.value.checkInId)
  const last = props.measured.at(-1)
  return first && last && last.measuredOn > first.measuredOn ? { first, last } : undefined
})
/** Judged while the band is computed elsewhere, so that its coming has only to be shown. */
const since = computed(
  () => pair.value && judgeChange(props.client, pair.value.first, pair.value.last),
)
onMounted(() => whenIdle(() => since.value))
const result = computed(
  () =>
    bands.value &&
    since.value &&
    followUp(bands.value, since.value, {
      fatThenKg: definition.value.fatKg,
      leanThenKg: definition.value.leanKg,
      plannedKcal: definition.value.intakeKcal - definition.value.needKcal,
    }),
)
const show = (kg: number) => `${fixed(massIn(kg, props.unit), 1)} ${props.unit}`
const kcal = (value: number) => signed(value, 0)
</script>

<template>
  <section data-test="follow-up">
    <p class="text-faded">
      Plan since {{ formatDate(plan.startedOn, true) }}, {{ definition.weeks }} weeks,
      {{ fixed(definition.intakeKcal, 0) }} kcal a day ·
      {{ RESTING_FORMS[definition.form].name }}
    </p>
    <!-- The room of the result is kept while its band is computed, so that nothing below it jumps. -->
    <div :class="{ 'min-h-[108px] pt-1': pair }">
      <template v-if="result">
        <h2 class="figure pt-1 text-[34px] sm:text-[44px]" data-test="standing-of-plan">
          {{ result.words }}
        </h2>
        <p class="text-lg">
          After {{ fixed(result.week, 1) }} weeks: fat {{ show(result.fatKg)
          }}{{ measured.at(-1)?.weekMass ? ' by the mass of the week' : '' }}. The plan expects
          {{ show(result.expectedFat[1]) }}, and {{ show(result.expectedFat[0]) }} to
          {{ show(result.expectedFat[2]) }} is within what it and the hand leave open.
        </p>
        <p>
          Energy balance by fat and lean: {{ kcal(result.observedKcal) }} kcal a day (95 in 100:
          {{ kcal(result.observedInterval[0]) }} to {{ kcal(result.observedInterval[1]) }}); planned
          {{ kcal(result.plannedKcal) }}.
        </p>
      </template>
      <p v-else-if="pair && progress !== undefined" role="status">Computing the plan’s band…</p>
      <p v-else-if="!pair" class="pt-1 text-lg">The next check-in is held against this plan.</p>
    </div>
    <div class="flex flex-wrap gap-3 pt-3 print:hidden">
      <button v-if="pair && !stopped" type="button" class="button" @click="emit('replan')">
        Plan again from here
      </button>
      <button type="button" class="button" @click="emit('end')">End this plan</button>
    </div>
  </section>
</template>

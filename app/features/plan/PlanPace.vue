<script setup lang="ts">
import { paceMeansText } from './plan-words'

/** From when, how fast, with which breaks, until when, and how often to measure. */
const draft = usePlanDraft()
const { texts, paceUnit, paceUnits, byDay, withBreaks, paceKg, bandWords, timeline, goal } = draft
const { purpose, purposes, cadence, problems, start: body, shown, newest, tooOld } = draft
const { takeEarliest, takeDayPace, startsOn, stopped } = draft
const massUnit = useMassUnit()

/** One place for what makes no sense, so that nothing jumps while it is typed. */
const trouble = computed(() => {
  const { startsOn: start, pace, breakEvery, breakWeeks, exercise } = problems.value
  return start ?? pace ?? breakEvery ?? breakWeeks ?? exercise
})
const means = computed(() =>
  paceKg.value?.ok && body.value && !stopped.value
    ? paceMeansText(paceKg.value.value, body.value, massUnit.value)
    : '',
)
const feasibility = computed(() => {
  const line = timeline.value
  if (!line) return ''
  const day = (on: string) => formatDate(on, true)
  if (line.direction === 'hold') return t('planner.nothingLoseOrGainHold')
  const count = t('planner.weeksTo', {
    count: line.weeks < 10 ? Number(line.weeks.toFixed(1)) : Math.round(line.weeks),
    day: day(line.doneOn),
  })
  switch (line.verdict) {
    case 'no date':
      return t('planner.noDate', { weeks: count, earliest: day(line.earliest) })
    case 'feasible':
      return t('planner.feasible', {
        weeks: count,
        startAtPace: day(line.startAtPace!),
        latestStart: day(line.latestStart!),
      })
    case 'feasible at the fast end':
      return t('planner.tooSlow', { doneOn: day(line.doneOn), earliest: day(line.earliest) })
    default:
      return [
        t('planner.notFeasible', {
          date: day(goal.value.date!),
          earliest: day(line.earliest),
          latestStart: day(line.latestStart!),
        }),
        ...(goal.value.occasion === 'weigh-in' ? [t('planner.noCutting')] : []),
      ].join(' ')
  }
})
</script>

<template>
  <section class="space-y-4">
    <h2 class="border-b-2 border-ink pb-1 text-xl">{{ t('plan.pace') }}</h2>
    <div class="flex flex-wrap items-start gap-3">
      <TextField
        id="starts-on"
        v-model="texts.startsOn"
        resting
        :label="t('plan.starts')"
        type="date"
        :min="newest?.measuredOn"
        :aria-invalid="problems.startsOn ? true : undefined"
        aria-describedby="pace-trouble"
      />
      <FieldRow v-if="!byDay || !texts.date" id="pace" :label="t('planner.week')">
        <div class="flex gap-1">
          <RestingInput
            id="pace"
            v-model="texts.pace"
            class="max-w-24"
            inputmode="decimal"
            :aria-invalid="problems.pace ? true : undefined"
            aria-describedby="pace-trouble"
          />
          <select v-model="paceUnit" class="field w-auto!" :aria-label="t('planner.week2')">
            <option v-for="{ value, name } in paceUnits" :key="value" :value>{{ name }}</option>
          </select>
        </div>
      </FieldRow>
    </div>
    <p v-if="tooOld" class="caution" data-test="too-old">
      {{
        t('planner.bodyThisStartsFromWas', {
          measuredOn: formatDate(newest!.measuredOn, true),
          tooOld,
          startsOn: formatDate(startsOn),
        })
      }}
    </p>
    <TickBox v-if="texts.date" v-model="byDay">{{ t('planner.asFastAsDayAsks') }}</TickBox>
    <TickBox v-model="withBreaks">{{ t('planner.breaksOrWeeksMaintenanceBetween') }}</TickBox>
    <div v-if="withBreaks" class="flex flex-wrap items-start gap-3">
      <TextField
        id="break-every"
        v-model="texts.breakEvery"
        resting
        :label="t('planner.afterHowManyWeeks')"
        inputmode="numeric"
        class="max-w-28"
        :aria-invalid="problems.breakEvery ? true : undefined"
        aria-describedby="pace-trouble"
      />
      <TextField
        id="break-weeks"
        v-model="texts.breakWeeks"
        resting
        :label="t('planner.weeksAtMaintenance')"
        inputmode="numeric"
        class="max-w-28"
        :aria-invalid="problems.breakWeeks ? true : undefined"
        aria-describedby="pace-trouble"
      />
    </div>
    <TextField
      id="exercise"
      v-model="texts.exercise"
      resting
      :label="t('planner.exerciseDayKcalIfKnown')"
      inputmode="decimal"
      class="max-w-28"
      :aria-invalid="problems.exercise ? true : undefined"
      aria-describedby="pace-trouble"
    />
    <ChoiceRow v-model="purpose" :label="t('planner.purpose')" compact :options="purposes" />
    <p id="pace-trouble" role="alert" class="min-h-12 font-bold text-clay">{{ trouble }}</p>
    <div class="min-h-14">
      <p class="text-lg" data-test="pace-means">{{ shown ? means : '' }}</p>
      <p class="text-faded">{{ bandWords }}</p>
    </div>
    <div class="min-h-28">
      <p v-if="feasibility" class="text-xl" role="status" data-test="feasibility">
        {{ feasibility }}
      </p>
      <p v-if="timeline?.verdict === 'not feasible'" class="pt-2">
        <button type="button" class="button" @click="takeEarliest">
          {{ t('planner.moveDayFirstSafeOne') }}
        </button>
      </p>
      <p v-else-if="timeline?.verdict === 'feasible at the fast end' && !byDay" class="pt-2">
        <button type="button" class="button" @click="takeDayPace">
          {{ t('planner.goAsFastAsDay') }}
        </button>
      </p>
    </div>
    <p class="min-h-12">
      <strong>{{ t('planner.measureEvery', { count: cadence.days }) }}</strong>
      {{ tell(cadence.why) }}
    </p>
    <ScrollBox v-if="timeline?.phases.length" :label="t('plan.phases')" class="h-48">
      <PlanPhases :phases="timeline.phases" />
    </ScrollBox>
  </section>
</template>

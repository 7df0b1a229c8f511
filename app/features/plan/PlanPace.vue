<script setup lang="ts">
import { formatDate } from '#core'
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
  const t = timeline.value
  if (!t) return ''
  const day = (on: string) => formatDate(on, true)
  if (t.direction === 'hold') return 'Nothing to lose or gain: hold what is there.'
  const count = `${t.weeks < 10 ? Number(t.weeks.toFixed(1)) : Math.round(t.weeks)} weeks, to ${day(t.doneOn)}`
  switch (t.verdict) {
    case 'no date':
      return `${count}; at the fast end of the band ${day(t.earliest)}.`
    case 'feasible':
      return `Feasible: ${count}. At this pace begin by ${day(t.startAtPace!)}; the latest sensible start is ${day(t.latestStart!)}.`
    case 'feasible at the fast end':
      return `Too slow for the day: at this pace it takes until ${day(t.doneOn)}, at the fast end of the band until ${day(t.earliest)}.`
    default:
      return `Not feasible by ${day(goal.value.date!)}: the earliest safe date is ${day(t.earliest)}. It would have had to begin by ${day(t.latestStart!)}.${goal.value.occasion === 'weigh-in' ? ' Sweating or starving to a weight is dangerous: the class above, or a later race.' : ''}`
  }
})
</script>

<template>
  <section class="space-y-4">
    <h2 class="border-b-2 border-ink pb-1 text-xl">Pace</h2>
    <div class="flex flex-wrap items-start gap-3">
      <TextField
        id="starts-on"
        v-model="texts.startsOn"
        resting
        label="Starts"
        type="date"
        :min="newest?.measuredOn"
        :aria-invalid="problems.startsOn ? true : undefined"
        aria-describedby="pace-trouble"
      />
      <FieldRow v-if="!byDay || !texts.date" id="pace" label="A week">
        <div class="flex gap-1">
          <RestingInput
            id="pace"
            v-model="texts.pace"
            class="max-w-24"
            inputmode="decimal"
            :aria-invalid="problems.pace ? true : undefined"
            aria-describedby="pace-trouble"
          />
          <select v-model="paceUnit" class="field w-auto!" aria-label="A week, in">
            <option v-for="{ value, name } in paceUnits" :key="value" :value>{{ name }}</option>
          </select>
        </div>
      </FieldRow>
    </div>
    <p v-if="tooOld" class="caution" data-test="too-old">
      The body that this starts from was measured on {{ formatDate(newest!.measuredOn, true) }},
      {{ tooOld }} days before {{ formatDate(startsOn) }}. Measure first: everything counts from it.
    </p>
    <TickBox v-if="texts.date" v-model="byDay">As fast as the day asks for</TickBox>
    <TickBox v-model="withBreaks">With breaks, or weeks of maintenance between</TickBox>
    <div v-if="withBreaks" class="flex flex-wrap items-start gap-3">
      <TextField
        id="break-every"
        v-model="texts.breakEvery"
        resting
        label="After how many weeks"
        inputmode="numeric"
        class="max-w-28"
        :aria-invalid="problems.breakEvery ? true : undefined"
        aria-describedby="pace-trouble"
      />
      <TextField
        id="break-weeks"
        v-model="texts.breakWeeks"
        resting
        label="Weeks at maintenance"
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
      label="Exercise a day, kcal (if it is known)"
      inputmode="decimal"
      class="max-w-28"
      :aria-invalid="problems.exercise ? true : undefined"
      aria-describedby="pace-trouble"
    />
    <ChoiceRow v-model="purpose" label="Purpose" compact :options="purposes" />
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
          Move the day to the first safe one
        </button>
      </p>
      <p v-else-if="timeline?.verdict === 'feasible at the fast end' && !byDay" class="pt-2">
        <button type="button" class="button" @click="takeDayPace">
          Go as fast as the day asks
        </button>
      </p>
    </div>
    <p class="min-h-12">
      Measure every <strong>{{ cadence.days }} days</strong>: {{ cadence.why }}.
    </p>
    <ScrollBox v-if="timeline?.phases.length" label="Phases" class="h-48">
      <PlanPhases :phases="timeline.phases" />
    </ScrollBox>
  </section>
</template>

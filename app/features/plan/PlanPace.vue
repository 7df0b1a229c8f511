<script setup lang="ts">
import { formatDate } from '#core'
import { paceMeansText } from './plan-words'

/** From when, how fast, with which breaks, until when, and how often to measure. */
const draft = usePlanDraft()
const { texts, paceUnit, paceUnits, byDay, withBreaks, paceKg, bandWords, timeline, goal } = draft
const { purpose, purposes, cadence, problems, start, shown, newest, tooOld } = draft
const { takeEarliest, takeDayPace, startsOn, stopped } = draft
const massUnit = useMassUnit()

const means = computed(() =>
  paceKg.value?.ok && start.value && !stopped.value
    ? paceMeansText(paceKg.value.value, start.value, massUnit.value)
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
    <h2 class="border-b-2 border-ink pb-1 text-xl">How fast</h2>
    <div class="flex flex-wrap items-start gap-3">
      <TextField
        id="starts-on"
        v-model="texts.startsOn"
        label="Starts"
        type="date"
        :min="newest?.measuredOn"
        :error="problems.startsOn"
      />
      <FieldRow v-if="!byDay || !texts.date" id="pace" label="A week" :error="problems.pace">
        <div class="flex gap-1">
          <input
            id="pace"
            v-model="texts.pace"
            class="field max-w-24"
            inputmode="decimal"
            autocomplete="off"
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
    <p v-if="byDay && problems.pace" role="alert" class="font-bold text-clay">
      {{ problems.pace }}
    </p>
    <div class="min-h-14">
      <p class="text-lg" data-test="pace-means">{{ shown ? means : '' }}</p>
      <p class="text-faded">{{ bandWords }}.</p>
    </div>
    <TickBox v-model="withBreaks">With breaks, or weeks of maintenance between</TickBox>
    <div v-if="withBreaks" class="flex flex-wrap items-start gap-3">
      <TextField
        id="break-every"
        v-model="texts.breakEvery"
        label="After how many weeks"
        inputmode="numeric"
        class="max-w-28"
        :error="problems.breakEvery"
      />
      <TextField
        id="break-weeks"
        v-model="texts.breakWeeks"
        label="Weeks at need"
        inputmode="numeric"
        class="max-w-28"
        :error="problems.breakWeeks"
      />
    </div>
    <div class="min-h-20">
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
    <PlanPhases v-if="timeline?.phases.length" :phases="timeline.phases" />
    <TextField
      id="exercise"
      v-model="texts.exercise"
      label="Exercise a day, kcal (if it is known)"
      inputmode="decimal"
      class="max-w-28"
      :error="problems.exercise"
    />
    <ChoiceRow v-model="purpose" label="Measured for" compact :options="purposes" />
    <p>
      Measure every <strong>{{ cadence.days }} days</strong>: {{ cadence.why }}.
    </p>
  </section>
</template>

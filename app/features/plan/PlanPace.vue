<script setup lang="ts">
import { fixed, formatDate } from '#core'

/** How fast, until when, and how often to measure. */
const {
  paceText,
  paceUnit,
  paceUnits,
  paceKg,
  bandWords,
  timeline,
  goal,
  purpose,
  purposes,
  cadence,
  exerciseText,
} = usePlanDraft()

const feasibility = computed(() => {
  const t = timeline.value
  if (!t) return ''
  const day = (on: string) => formatDate(on, true)
  if (t.direction === 'hold') return 'Nothing to lose or gain: hold what is there.'
  const count = `${fixed(t.weeks, 1)} weeks, to ${day(t.doneOn)}`
  switch (t.verdict) {
    case 'no date':
      return `${count}; at the fast end of the band ${day(t.earliest)}.`
    case 'feasible':
      return `Feasible: ${count}. At this pace begin by ${day(t.startAtPace!)}; the latest sensible start is ${day(t.latestStart!)}.`
    case 'feasible at the fast end':
      return `Feasible only at the fast end of the band: at this pace it takes until ${day(t.doneOn)}, at the fast end until ${day(t.earliest)}.`
    default:
      return `Not feasible by ${day(goal.value.date!)}: the earliest safe date is ${day(t.earliest)}. It would have had to begin by ${day(t.latestStart!)}.`
  }
})
</script>

<template>
  <section class="space-y-4">
    <h2 class="border-b-2 border-ink pb-1 text-xl">How fast</h2>
    <div class="flex flex-wrap items-end gap-3">
      <FieldRow id="pace" label="A week">
        <input id="pace" v-model="paceText" class="field max-w-28" inputmode="decimal" />
      </FieldRow>
      <ChoiceRow v-model="paceUnit" label="in" hide-label compact :options="paceUnits" />
    </div>
    <p class="text-faded">{{ bandWords }}.</p>
    <p v-if="paceKg && !paceKg.ok" role="alert" class="font-bold text-clay">
      {{ paceKg.error.message }}
    </p>
    <p v-if="feasibility" class="text-xl" role="status" data-test="feasibility">
      {{ feasibility }}
    </p>
    <ol v-if="timeline?.phases.length" class="space-y-1" data-test="phases">
      <li v-for="phase in timeline.phases" :key="phase.kind + phase.from" class="flex gap-3">
        <strong class="w-24">{{ phase.kind }}</strong>
        <span class="flex-1">
          {{ formatDate(phase.from) }} to {{ formatDate(phase.to, true) }}.
          {{ phase.words }}
        </span>
      </li>
    </ol>
    <FieldRow id="exercise" label="Exercise a day, kcal (if it is known)">
      <input id="exercise" v-model="exerciseText" class="field max-w-28" inputmode="decimal" />
    </FieldRow>
    <ChoiceRow v-model="purpose" label="Measured for" compact :options="purposes" />
    <p>
      Measure every <strong>{{ cadence.days }} days</strong>: {{ cadence.why }}.
    </p>
  </section>
</template>

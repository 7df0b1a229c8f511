<script setup lang="ts">
import { capital, DIET_NOTES, fixed, formatDate, formatMass, isoDateOf, weeksOut } from '#core'
import { plans as routes } from '~/contract'
import {
  dayOfInstant,
  goalWithDay,
  nutrientsOf,
  paceKgOf,
  phasesOfPlan,
  startOfKept,
  versionOf,
} from '~/features/plan/plan-words'

/* The plan in force on one sheet of paper, in the client's words: to print, or to save as a file and send. */
definePageMeta({ layout: false })

const { id, view, error, measured } = await useClientRecord('plan')
const { data: kept } = await useAsyncData(`plans-${id}`, () =>
  callApi(routes.list, { params: { id } }),
)
const massUnit = useMassUnit()
const { shown } = usePercentages(() => view.value?.client)
const { plans, inForce: plan } = usePlans(kept, view, measured)

const today = isoDateOf(new Date())
const d = computed(() => plan.value!.definition)
const how = usePlanShown(() => shown.value)
const goal = computed(() => capital(goalWithDay(d.value.goal, how.value)))
const out = computed(() => {
  const { date } = d.value.goal
  return date && date > today ? weeksOut(today, date) : undefined
})
const start = computed(() => startOfKept(view.value.client, plan.value!, measured.value))
const phases = computed(() => phasesOfPlan(plan.value!, start.value))
const ofDay = computed(() => (shown.value ? nutrientsOf(d.value) : undefined))
const held = computed(() => d.value.goal.kind === 'holdLean')
const weekly = computed(() => formatMass(paceKgOf(d.value), massUnit.value, 2))
const PARTS = ['protein', 'carbohydrate', 'fat'] as const
const print = () => window.print()
</script>

<template>
  <main class="mx-auto max-w-[180mm] bg-white px-6 py-6 print:p-0" data-test="sheet">
    <nav class="flex flex-wrap gap-3 pb-5 print:hidden">
      <button type="button" class="button button-lead" @click="print">
        Print, or save as a file
      </button>
      <NuxtLink :to="`/clients/${id}/plan`" class="button">Back to the plan</NuxtLink>
    </nav>
    <p v-if="error || !view" role="alert">{{ error?.message }}</p>
    <p v-else-if="!plan" class="text-lg">No plan is in force: there is nothing to print.</p>
    <template v-else>
      <header class="border-b-2 border-ink pb-2">
        <p>Plan for {{ view.client.name }}</p>
        <h1 class="figure text-[36px]">{{ goal }}</h1>
        <p>
          From {{ formatDate(plan.startedOn, true)
          }}<template v-if="!held"
            >, about {{ fixed(d.weeks, 0) }} weeks, {{ weekly }} a week</template
          >.<template v-if="out !== undefined">
            On {{ formatDate(today, true) }}: {{ out }} weeks out.</template
          >
        </p>
      </header>
      <section v-if="phases.length" class="py-3">
        <h2 class="pb-1 text-xl font-bold">When</h2>
        <PlanPhases :phases />
      </section>
      <section v-if="shown" class="py-3">
        <h2 class="pb-1 text-xl font-bold">Food</h2>
        <p class="text-lg">
          <strong>{{ fixed(d.intakeKcal, 0) }} kcal a day</strong>; about
          {{ fixed(d.needKcal, 0) }} would hold the weight.
        </p>
        <table v-if="ofDay" class="mt-2 w-full table-fixed border-collapse text-left">
          <thead>
            <tr class="border-b-2 border-ink">
              <th scope="col" class="py-1">g</th>
              <th v-for="part in PARTS" :key="part" scope="col" class="py-1 text-right">
                {{ part }}
              </th>
            </tr>
          </thead>
          <tbody>
            <tr class="border-b border-line">
              <th scope="row" class="py-1">a day</th>
              <td v-for="part in PARTS" :key="part" class="figure text-right text-[24px]">
                {{ fixed(ofDay.day.parts[part].grams, 0) }}
              </td>
            </tr>
            <tr class="border-b border-line">
              <th scope="row" class="py-1">each of {{ ofDay.meals }} meals</th>
              <td v-for="part in PARTS" :key="part" class="figure text-right text-[24px]">
                {{ fixed(ofDay.meal.grams[part], 0) }}
              </td>
            </tr>
          </tbody>
        </table>
        <template v-if="ofDay">
          <p v-for="note in DIET_NOTES[ofDay.diet]" :key="note" class="pt-1">{{ note }}</p>
        </template>
      </section>
      <section class="py-3">
        <h2 class="pb-1 text-xl font-bold">Measuring</h2>
        <p>
          Every {{ view.client.cadenceDays }} days, at the same time of day, before food and
          training. On the scale at home: mornings, after the toilet, before breakfast; one day says
          nothing, the average of a week does.
        </p>
      </section>
      <footer class="border-t border-line pt-2 text-[15px]">
        <p>
          {{ versionOf(plan, plans) > 1 ? `Version ${versionOf(plan, plans)}, made` : 'Made' }} on
          {{ dayOfInstant(plan.createdAt)
          }}<template v-if="plan.madeBy"> by {{ plan.madeBy }}</template
          >. Suggestions, not orders: stop and ask when you are dizzy, faint, ill, or your period
          stays away. Dietary treatment belongs to licensed practice.
        </p>
      </footer>
    </template>
  </main>
</template>

<style>
@page {
  margin: 14mm;
}
</style>

<script setup lang="ts">
import { capital, DIET_NOTES, isoDateOf, weeksOut } from '#core'
import { plans as routes } from '~/contract'
import {
  madeText,
  goalWithDay,
  nutrientsOf,
  paceKgOf,
  phasesOfPlan,
  startOfKept,
  versionOf,
} from '~/features/plan/plan-words'

/* The plan in force on one sheet of paper, in the client's words: to print, or to save as a file and send. */
definePageMeta({ layout: false })

const { id, view, error, measured } = await useClientRecord('client.plan')
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
</script>

<template>
  <PrintSheet :back="`/clients/${id}/plan`" :back-words="t('planSheet.backPlan')">
    <LoadTrouble v-if="error || !view" :error />
    <p v-else-if="!plan" class="text-lg">{{ t('planSheet.noPlanForceThereNothing') }}</p>
    <template v-else>
      <header class="border-b-2 border-ink pb-2">
        <p>{{ t('planSheet.planName', { name: view.client.name }) }}</p>
        <h1 class="figure text-[36px]">{{ goal }}</h1>
        <p>
          {{
            t(held ? 'planSheet.sheetFrom' : 'planSheet.sheetFromWeeks', {
              day: formatDate(plan.startedOn, true),
              count: Math.round(d.weeks),
              weekly,
            })
          }}
          <template v-if="out !== undefined">
            {{ t('planSheet.weeksOutOn', { day: formatDate(today, true), count: out }) }}
          </template>
        </p>
      </header>
      <section v-if="phases.length" class="py-3">
        <h2 class="pb-1 text-xl font-bold">{{ t('planSheet.when') }}</h2>
        <PlanPhases :phases />
      </section>
      <section v-if="shown" class="py-3">
        <h2 class="pb-1 text-xl font-bold">{{ t('plan.food') }}</h2>
        <p class="text-lg">
          <strong>{{ t('planSheet.kcalADay', { kcal: whole(d.intakeKcal) }) }}</strong>
          {{ t('planSheet.wouldHold', { kcal: whole(d.needKcal) }) }}
        </p>
        <table v-if="ofDay" class="mt-2 w-full table-fixed border-collapse text-left">
          <thead>
            <tr class="border-b-2 border-ink">
              <th scope="col" class="py-1">g</th>
              <th v-for="part in PARTS" :key="part" scope="col" class="py-1 text-right">
                {{ t(`plan.${part}`) }}
              </th>
            </tr>
          </thead>
          <tbody>
            <tr class="border-b border-line">
              <th scope="row" class="py-1">{{ t('plan.day') }}</th>
              <td v-for="part in PARTS" :key="part" class="figure text-right text-[24px]">
                {{ fixed(ofDay.day.parts[part].grams, 0) }}
              </td>
            </tr>
            <tr class="border-b border-line">
              <th scope="row" class="py-1">
                {{ t('planSheet.eachMeal', { count: ofDay.meals }) }}
              </th>
              <td v-for="part in PARTS" :key="part" class="figure text-right text-[24px]">
                {{ fixed(ofDay.meal.grams[part], 0) }}
              </td>
            </tr>
          </tbody>
        </table>
        <template v-if="ofDay">
          <p v-for="note in DIET_NOTES[ofDay.diet]" :key="tell(note)" class="pt-1">
            {{ tell(note) }}
          </p>
        </template>
      </section>
      <section class="py-3">
        <h2 class="pb-1 text-xl font-bold">{{ t('planSheet.measuring') }}</h2>
        <p>
          {{ t('planSheet.measuringAdvice', { count: view.client.cadenceDays }) }}
        </p>
      </section>
      <footer class="border-t border-line pt-2 text-[15px]">
        <p>{{ madeText(plan, versionOf(plan, plans)) }}. {{ t('planSheet.sheetCaution') }}</p>
      </footer>
    </template>
  </PrintSheet>
</template>

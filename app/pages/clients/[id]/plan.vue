<script setup lang="ts">
import {
  ACTIVITIES,
  ADULT,
  adviseCadence,
  attempt,
  CADENCES,
  checkedPace,
  CM_PER_INCH,
  energyPlan,
  fatPercentOfStart,
  fixed,
  formatDate,
  formatMass,
  gainBand,
  GIRTH_IDS,
  isoDateOf,
  isSkinfold,
  judgeChange,
  KG_PER_POUND,
  lossBand,
  massIn,
  massOfStart,
  nameOf,
  nextMeasuring,
  paceIn,
  planCautions,
  RESTING_FORMS,
  restingFormFor,
  sheetOf,
  simulate,
  startOf,
  STATIC_KCAL_PER_KG,
  staticMass,
  targetsOf,
  timelineOf,
  typedNumber,
  USUAL_DOUBT,
  type GirthId,
  type Goal,
  type GoalKind,
  type Pace,
  type PaceUnit,
  type Purpose,
  type RestingForm,
} from '#core'
import { z } from 'zod'
import { planSchema, type PlanDefinition } from '#shared/contract/plans'

const { id, view, error, patch, measured, planInForce: inForce } = await useClientView('plan')

const api = useApi()
const massUnit = useMassUnit()
const lengthUnit = useLengthUnit()
const { hiding, shown, asked } = usePercentages(() => view.value?.client)
const today = isoDateOf(new Date())

/** The body of the last check-in that has an estimate with a body mass. */
const newest = computed(() =>
  measured.value.findLast((m) => startOf(view.value.client, m, today) !== undefined),
)
const start = computed(() => newest.value && startOf(view.value.client, newest.value, today))
const flags = computed(() => view.value.screening?.answers.flags ?? [])
const cautions = computed(() => (start.value ? planCautions(start.value, flags.value) : []))
const stopped = computed(() => cautions.value.some(({ stops }) => stops))

/* The wish. */
const KINDS: { value: GoalKind; name: string; level?: boolean }[] = [
  { value: 'fatPercent', name: 'fat %', level: true },
  { value: 'fatMass', name: 'fat mass', level: true },
  { value: 'mass', name: 'body mass' },
  { value: 'sum', name: 'sum of folds' },
  { value: 'girth', name: 'a girth' },
  { value: 'holdLean', name: 'hold lean', level: true },
]
const kinds = computed(() => KINDS.filter(({ level }) => shown.value || !level))
const kind = ref<GoalKind>('mass')
const goalText = ref('')
const girths = computed(() => GIRTH_IDS.filter((g) => start.value?.girthsCm?.[g] !== undefined))
const girth = ref<GirthId>()
const date = ref('')
const peakWeek = ref(false)
const number = (text: string) => (text.trim() ? typedNumber(text.trim()) : undefined)
/** What one unit on the screen is of kg, cm, mm or %. */
const scale = computed(() => {
  if (kind.value === 'fatMass' || kind.value === 'mass') {
    return massUnit.value === 'lb' ? KG_PER_POUND : 1
  }
  return kind.value === 'girth' && lengthUnit.value === 'in' ? CM_PER_INCH : 1
})
const goalUnit = computed(() => {
  const of = { fatPercent: '%', sum: 'mm', girth: lengthUnit.value, holdLean: '' } as const
  return kind.value === 'fatMass' || kind.value === 'mass' ? massUnit.value : of[kind.value]
})
const goal = computed<Goal>(() => {
  const value = number(goalText.value)
  return {
    kind: kind.value,
    ...(kind.value === 'holdLean' || value === undefined ? {} : { value: value * scale.value }),
    ...(kind.value === 'girth' ? { girth: girth.value ?? girths.value[0] } : {}),
    ...(date.value ? { date: date.value } : {}),
  }
})
const wished = computed(() => kind.value === 'holdLean' || goalText.value.trim() !== '')
const targets = computed(() =>
  start.value && wished.value ? attempt(() => targetsOf(goal.value, start.value!)) : undefined,
)

/* The pace. */
const PACE_NAMES: { value: PaceUnit; name: string; level?: boolean }[] = [
  { value: 'percentMass', name: '% of mass' },
  { value: 'kg', name: 'kg' },
  { value: 'lb', name: 'lb' },
  { value: 'fatPoints', name: 'points of fat %', level: true },
]
const paceUnits = computed(() => PACE_NAMES.filter(({ level }) => shown.value || !level))
const paceUnit = ref<PaceUnit>('percentMass')
const paceText = ref('0.7')
const pace = computed<Pace>(() => ({ unit: paceUnit.value, value: number(paceText.value) ?? NaN }))
const direction = computed(() =>
  targets.value?.ok &&
  start.value &&
  targets.value.value.withForbes.massKg > massOfStart(start.value)
    ? ('gain' as const)
    : ('loss' as const),
)
const band = computed(
  () => start.value && (direction.value === 'loss' ? lossBand : gainBand)(start.value),
)
const bandWords = computed(() => {
  if (!band.value || !start.value) return ''
  const show = (kg: number) => fixed(paceIn(kg, paceUnit.value, start.value!), 2)
  return `${show(band.value.slow)} to ${show(band.value.fast)} is the coaching band here; ${band.value.bound} ends it`
})
const paceKg = computed(
  () => start.value && attempt(() => checkedPace(pace.value, start.value!, direction.value)),
)
const timeline = computed(() => {
  if (!start.value || !targets.value?.ok || !paceKg.value?.ok) return undefined
  return timelineOf(goal.value, start.value, pace.value, today, { peakWeek: peakWeek.value })
})
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

/* Energy. */
const advised = computed(() => restingFormFor(view.value.screening?.answers.training))
const form = ref<RestingForm>(advised.value?.form ?? 'lean')
const activity = ref(1.55)
const energy = computed(() => {
  if (!start.value || !paceKg.value?.ok) return undefined
  const hold = timeline.value?.direction === 'hold' || stopped.value
  const signedPace = hold ? 0 : (direction.value === 'loss' ? 1 : -1) * paceKg.value.value
  return attempt(() =>
    energyPlan(start.value!, {
      form: form.value,
      activity: activity.value,
      paceKg: signedPace,
    }),
  )
})
const weeks = computed(() => Math.min(52, Math.max(4, Math.ceil(timeline.value?.weeks ?? 12))))
const { bands, progress, cancel, again } = usePlanBands(
  computed(() => {
    if (!start.value || !energy.value?.ok || !timeline.value || stopped.value) return undefined
    return {
      start: start.value,
      regime: {
        intakeKcal: energy.value.value.intakeKcal,
        activity: activity.value,
        form: form.value,
      },
      weeks: weeks.value,
      doubt: { ...USUAL_DOUBT, fatPoints: start.value.standardError ?? 4 },
    }
  }),
)
const statically = computed(() => {
  if (!start.value || !energy.value?.ok) return []
  const { deficitKcal } = energy.value.value
  return Array.from({ length: weeks.value + 1 }, (_, week) =>
    staticMass(massOfStart(start.value!), deficitKcal, week, STATIC_KCAL_PER_KG),
  )
})
const drift = computed(() => {
  if (!start.value || !energy.value?.ok || !timeline.value) return undefined
  const { intakeKcal } = energy.value.value
  const regime = { intakeKcal, activity: activity.value, form: form.value }
  const end = simulate(start.value, regime, weeks.value).at(-1)!
  return { two: end.fatKg + end.leanKg, rule: statically.value.at(-1)! }
})

/* How often to measure. */
const purpose = ref<Purpose>('training')
const purposes = (Object.keys(CADENCES) as Purpose[]).map((value) => ({
  value,
  name: CADENCES[value].name,
}))
const cadence = computed(() => {
  const pair = measured.value.slice(-2)
  const last = pair.at(-1)
  const judgement =
    pair.length === 2 ? judgeChange(view.value.client, pair[0]!, pair[1]!) : undefined
  const next =
    judgement &&
    last &&
    nextMeasuring(
      judgement,
      start.value && massOfStart(start.value),
      paceKg.value?.ok ? paceKg.value.value : undefined,
    )
  return adviseCadence(purpose.value, next?.days)
})

/* Keeping it. */
const training = ref('strength')
const plans = computed(() => view.value.plans)
const plansSchema = z.array(planSchema)
const trouble = ref('')
const said = ref('')
async function change(run: () => Promise<z.output<typeof plansSchema>>, words: string) {
  trouble.value = ''
  said.value = ''
  try {
    patch({ plans: await run() })
    said.value = words
  } catch (failure) {
    trouble.value = (failure as Error).message
  }
}
function keep() {
  if (!start.value || !newest.value || !energy.value?.ok || !timeline.value || stopped.value) return
  const { fatKg, leanKg, standardError } = start.value
  const { intakeKcal, needKcal } = energy.value.value
  const definition: PlanDefinition = {
    ...{ goal: goal.value, pace: pace.value, form: form.value, activity: activity.value },
    ...{ training: training.value, purpose: purpose.value, peakWeek: peakWeek.value },
    ...{ intakeKcal, needKcal, weeks: weeks.value, checkInId: newest.value.id },
    ...{ fatKg, leanKg, standardError },
  }
  const plan = { startedOn: newest.value.measuredOn, definition, cadenceDays: cadence.value.days }
  return change(() => api.post(`/api/clients/${id}/plans`, plansSchema, plan), 'Kept.')
}
/** The same wish and pace from the body of the last check-in; the old plan is kept. */
function replan() {
  const old = inForce.value!.definition
  kind.value = old.goal.kind
  goalText.value =
    old.goal.value === undefined ? '' : String(Number((old.goal.value / scale.value).toFixed(2)))
  girth.value = old.goal.girth
  date.value = old.goal.date ?? ''
  paceUnit.value = old.pace.unit
  paceText.value = String(old.pace.value)
  ;({ form: form.value, activity: activity.value, peakWeek: peakWeek.value } = old)
  purpose.value = old.purpose
  training.value = old.training
  return nextTick(keep)
}
const end = () =>
  change(
    () => api.post(`/api/clients/${id}/plans/end`, plansSchema),
    'The plan is ended, and kept.',
  )

const forms = (Object.keys(RESTING_FORMS) as RestingForm[]).map((value) => ({
  value,
  name: RESTING_FORMS[value].name,
}))
const mass = (kg: number) => formatMass(kg, massUnit.value)
const goalKg = computed(() =>
  targets.value?.ok ? targets.value.value.withForbes.massKg : undefined,
)
const old = computed(() => plans.value.filter(({ replacedAt }) => replacedAt !== null))
const goalWords = ({ goal: g }: PlanDefinition) =>
  `${KINDS.find(({ value }) => value === g.kind)!.name}${g.value === undefined || (!shown.value && g.kind.startsWith('fat')) ? '' : ` ${fixed(g.kind === 'mass' || g.kind === 'fatMass' ? massIn(g.value, massUnit.value) : g.value, 1)}`}`
watch(shown, (may) => {
  if (!may && kinds.value.every(({ value }) => value !== kind.value)) kind.value = 'mass'
})
const adult = computed(() => (start.value?.ageYears ?? ADULT) >= ADULT)
const foldsTaken = computed(
  () =>
    newest.value &&
    sheetOf(view.value.client, newest.value).measured.some(({ site }) => isSkinfold(site)),
)
</script>

<template>
  <ClientPage :view="view" :error="error">
    <PercentagesChoice v-if="hiding" v-model="asked" :name="view.client.name" class="pb-3" />
    <p v-if="!start" class="text-lg">
      A plan starts from a check-in with an estimate and a body mass.
    </p>
    <template v-else>
      <ul v-if="cautions.length" class="pb-4" data-test="plan-cautions">
        <li
          v-for="caution in cautions"
          :key="caution.words"
          class="mb-2 border-2 border-l-8 border-clay bg-clay-wash px-4 py-2"
        >
          {{ caution.words }}
        </li>
      </ul>
      <PlanFollowUp
        v-if="inForce && shown"
        :key="inForce.id"
        :view="view"
        :plan="inForce"
        :measured="measured"
        :body="start"
        :unit="massUnit"
        :stopped="stopped"
        class="border-b-2 border-line pb-5"
        @replan="replan"
        @end="end"
      />
      <p v-if="shown" class="pt-3 text-lg" data-test="start">
        From {{ formatDate(newest!.measuredOn, true) }}: {{ mass(massOfStart(start)) }}, fat
        {{ mass(start.fatKg) }} (about {{ fixed(fatPercentOfStart(start), 0) }} %), lean
        {{ mass(start.leanKg) }}.
      </p>
      <div class="grid gap-x-12 gap-y-6 pt-4 lg:grid-cols-2">
        <section class="space-y-4">
          <h2 class="border-b-2 border-ink pb-1 text-xl">Where to</h2>
          <ChoiceRow v-model="kind" label="Goal" compact :options="kinds" />
          <div class="flex flex-wrap items-end gap-3">
            <FieldRow v-if="kind !== 'holdLean'" id="goal" :label="`Goal, ${goalUnit}`">
              <input id="goal" v-model="goalText" class="field max-w-32" inputmode="decimal" />
            </FieldRow>
            <FieldRow v-if="kind === 'girth'" id="girth" label="Which girth">
              <select id="girth" v-model="girth" class="field w-auto!">
                <option v-for="g in girths" :key="g" :value="g">{{ nameOf(g) }}</option>
              </select>
            </FieldRow>
            <FieldRow id="goal-date" label="By (if there is a day)">
              <input id="goal-date" v-model="date" type="date" class="field" :min="today" />
            </FieldRow>
            <ChoiceRow v-model="massUnit" label="Masses in" hide-label :options="MASS_UNITS" />
          </div>
          <label v-if="date" class="flex min-h-11 items-center gap-3">
            <input v-model="peakWeek" type="checkbox" class="size-5 accent-leaf" />
            Keep the last week before the day for rest
          </label>
          <p v-if="targets && !targets.ok" role="alert" class="font-bold text-clay">
            {{ targets.error.message }}
          </p>
          <table
            v-else-if="targets?.ok && kind !== 'holdLean' && shown"
            class="w-full border-collapse text-left"
            data-test="targets"
          >
            <caption class="sr-only">
              The body that the goal leads to
            </caption>
            <thead>
              <tr class="border-b-2 border-ink text-faded">
                <td />
                <th scope="col" class="text-right font-normal">body mass</th>
                <th scope="col" class="text-right font-normal">fat</th>
                <th scope="col" class="text-right font-normal">lean</th>
              </tr>
            </thead>
            <tbody>
              <tr
                v-for="row in [
                  { name: 'lean held', body: targets.value.constantLean },
                  { name: 'with the usual lean change', body: targets.value.withForbes },
                ]"
                :key="row.name"
                class="border-b border-line"
              >
                <th scope="row" class="py-1 font-normal">{{ row.name }}</th>
                <td class="figure text-right text-[24px] whitespace-nowrap">
                  {{ mass(row.body.massKg) }}
                </td>
                <td class="figure text-right text-[20px]">
                  {{ fixed(massIn(row.body.fatKg, massUnit), 1) }}
                </td>
                <td class="figure text-right text-[20px]">
                  {{ fixed(massIn(row.body.leanKg, massUnit), 1) }}
                </td>
              </tr>
            </tbody>
          </table>
          <p v-if="targets?.ok && shown" class="text-faded">
            The usual lean change is the Forbes relation, from women at rest: it expects too much
            lean loss of lean people who train.
            <template v-if="kind === 'sum' || kind === 'girth'">
              Folds and girths are turned into fat by 8 mm of the sum and 1 cm a kilogram
              (judgement): follow the number itself.
            </template>
          </p>
        </section>
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
          <ChoiceRow v-model="purpose" label="Measured for" compact :options="purposes" />
          <p>
            Measure every <strong>{{ cadence.days }} days</strong>: {{ cadence.why }}.
          </p>
        </section>
      </div>

      <template v-if="timeline && shown && adult && !stopped">
        <section class="space-y-3 pt-6">
          <h2 class="border-b-2 border-ink pb-1 text-xl">Energy</h2>
          <div class="flex flex-wrap items-end gap-x-6 gap-y-3">
            <div>
              <ChoiceRow v-model="form" label="Resting need" compact :options="forms" />
              <p class="pt-1 text-faded">
                Advised: {{ RESTING_FORMS[advised.form].name }} ({{ advised.why }}).
                {{ RESTING_FORMS[form].source }}.
              </p>
            </div>
            <FieldRow id="activity" label="Activity" class="max-w-full min-w-0">
              <select id="activity" v-model.number="activity" class="field">
                <option v-for="a in ACTIVITIES" :key="a.factor" :value="a.factor">
                  {{ a.factor }}, {{ a.name }}
                </option>
              </select>
            </FieldRow>
          </div>
          <p v-if="energy && !energy.ok" role="alert" class="font-bold text-clay">
            {{ energy.error.message }}
          </p>
          <template v-else-if="energy?.ok">
            <p class="text-xl" data-test="energy">
              Rest {{ fixed(energy.value.restingKcal, 0) }}, need
              {{ fixed(energy.value.needKcal, 0) }}, eat
              <strong>{{ fixed(energy.value.intakeKcal, 0) }} kcal a day</strong>
              ({{ energy.value.deficitKcal >= 0 ? 'deficit' : 'surplus' }}
              {{ fixed(Math.abs(energy.value.deficitKcal), 0) }}). Body fat can supply
              {{ fixed(energy.value.supplyKcal, 0) }} at most, a bound and no target.
            </p>
            <p
              v-for="note in energy.value.notes"
              :key="note"
              class="border-2 border-l-8 border-clay bg-clay-wash px-4 py-2"
            >
              {{ note }}
            </p>
            <p v-if="drift" data-test="drift">
              After {{ weeks }} weeks of the same intake: {{ mass(drift.two) }} by two compartments,
              whose need falls with the body; {{ mass(drift.rule) }} by the 3500-kcal rule, which
              does not. They drift {{ mass(Math.abs(drift.two - drift.rule)) }} apart.
            </p>
            <div class="h-[320px]" data-test="plan-chart">
              <ClientOnly>
                <LazyPlanChart
                  v-if="bands"
                  :bands="bands"
                  :statically="statically"
                  :unit="massUnit"
                  :goal-kg="goalKg"
                  :label="`Body mass over ${weeks} weeks by two compartments and by the static rule`"
                />
              </ClientOnly>
            </div>
            <p role="status" class="flex flex-wrap items-center gap-3">
              <template v-if="progress !== undefined">
                <progress :value="progress" max="1" aria-label="Paths computed" />
                {{ fixed(progress * 100, 0) }} of 100 parts of 10,000 paths
                <button type="button" class="button" @click="cancel">Stop</button>
              </template>
              <template v-else-if="bands">
                Of 10,000 paths over the estimate’s error, activity and what is really eaten, 9 in
                10 end between {{ mass(bands.at(-1)!.mass[0]) }} and
                {{ mass(bands.at(-1)!.mass[4]) }}.
              </template>
              <button v-else type="button" class="button" @click="again">Compute the band</button>
            </p>
          </template>
        </section>
        <PlanNutrients
          v-if="energy?.ok"
          v-model:training="training"
          :kcal="energy.value.intakeKcal"
          :mass-kg="massOfStart(start)"
          :lean-kg="start.leanKg"
          class="pt-6"
        />
      </template>

      <div v-if="timeline && !stopped" class="flex flex-wrap items-center gap-4 pt-6 print:hidden">
        <button type="button" class="button button-lead" @click="keep">
          {{ inForce ? 'Keep as the new plan' : 'Keep this plan' }}
        </button>
        <span role="status">{{ said }}</span>
      </div>
      <p v-if="trouble" role="alert" class="pt-2 font-bold text-clay">{{ trouble }}</p>
      <p class="pt-4 text-faded">
        Suggestions, not orders. A coach measures, explains and suggests; dietary treatment belongs
        to licensed practice, and local rules come first.
        <template v-if="!foldsTaken">The start stands on the tape alone.</template>
      </p>
      <details v-if="old.length" class="pt-4" data-test="old-plans">
        <summary class="min-h-11 cursor-pointer py-2 font-bold">
          Plans before ({{ old.length }})
        </summary>
        <ul>
          <li v-for="plan in old" :key="plan.id" class="border-b border-line py-1">
            From {{ formatDate(plan.startedOn, true) }}: {{ goalWords(plan.definition) }},
            {{ plan.definition.weeks }} weeks
          </li>
        </ul>
      </details>
    </template>
  </ClientPage>
</template>

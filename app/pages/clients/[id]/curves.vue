<script setup lang="ts">
import {
  ageOn,
  bandsOf,
  basisOf,
  daysBetween,
  fixed,
  goalOf,
  formatDate,
  isoDateOf,
  isGirth,
  isSkinfold,
  judgeChange,
  lengthIn,
  massIn,
  massOf,
  nameOf,
  protocolOf,
  seriesBy,
  setupChange,
  signed,
  siteValues,
  weeklyAverages,
  type IsoDate,
  type Quantity,
  type SiteId,
} from '#core'
import { v4 as newId } from 'uuid'
import { CLIENT_NOTE_KINDS, type ClientNote } from '#shared/contract/notes'
import { notes } from '#shared/contract/routes/notes'
import type { Curve } from '~/features/client/SeriesChart.vue'

const { id, view, error, patch, measured } = await useClientRecord('curves')
const planInForce = computed(() => view.value.planInForce)

const massUnit = useMassUnit()
const lengthUnit = useLengthUnit()
const { hiding, shown, asked } = usePercentages(() => view.value?.client)
const { sites } = useLedger(view, measured)

type Subject = 'parts' | 'fatPercent' | 'sum' | 'mass' | SiteId
const subject = ref<Subject>(shown.value ? 'parts' : 'sum')
const subjects = computed(() => [
  ...(shown.value
    ? [
        { id: 'parts', name: 'Fat and lean mass' },
        { id: 'fatPercent', name: 'Fat %' },
      ]
    : []),
  { id: 'sum', name: 'Sum of folds' },
  { id: 'mass', name: 'Body mass, each day and week' },
  ...sites.value.map((site) => ({ id: site, name: nameOf(site) })),
])
watch(shown, (may) => {
  if (!may && (subject.value === 'parts' || subject.value === 'fatPercent')) subject.value = 'sum'
})

const newest = computed(() => measured.value.at(-1))
const basis = computed(() => newest.value && basisOf(view.value.client, newest.value))
const byEquation = computed(() => ['parts', 'fatPercent', 'sum'].includes(subject.value))
const gaps = computed(() =>
  basis.value && byEquation.value
    ? seriesBy(view.value.client, measured.value, basis.value).flatMap(({ checkIn, gap }) =>
        gap ? [{ id: checkIn.id, on: checkIn.measuredOn, gap }] : [],
      )
    : [],
)

const bands = computed(() =>
  measured.value.map((m) => bandsOf(view.value.client, m, basis.value!, newest.value)),
)

/** One quantity over the check-ins, with the band of the measurement error. */
function byCheckIn(quantity: Quantity, name: string, look: Omit<Curve, 'name' | 'points'>): Curve {
  const inMass = quantity === 'fatMass' || quantity === 'leanMass'
  const show = (v: number) => (inMass ? massIn(v, massUnit.value) : v)
  const points = measured.value.map((m, i) => {
    const other = setupChange(newest.value!, m)
    const band = bands.value[i]![quantity]
    return {
      date: m.measuredOn,
      value: band ? show(band.value) : null,
      low: band && show(band.value - band.halfWidth),
      high: band && show(band.value + band.halfWidth),
      otherSetup: other.anotherTester || other.anotherCaliper,
    }
  })
  return { name, points, ...look }
}

const curves = computed<Curve[]>(() => {
  if (!basis.value) return []
  switch (subject.value) {
    case 'parts':
      return [
        byCheckIn('leanMass', 'lean', { color: LEAF, symbol: 'circle' }),
        byCheckIn('fatMass', 'fat', { color: AMBER, symbol: 'triangle', dash: 'dashed' }),
      ]
    case 'fatPercent':
      return [byCheckIn('fatPercent', 'fat %', { color: AMBER, symbol: 'triangle' })]
    case 'sum':
      return [byCheckIn('sum', 'sum', { color: OAK, symbol: 'circle' })]
    case 'mass':
      return massCurves()
    default:
      return [siteCurve(subject.value)]
  }
})

/** Each day's mass as loose points, and the average of each week through them. */
function massCurves(): Curve[] {
  const taken = new Set(view.value.weighIns.map(({ date }) => date))
  const own = measured.value.flatMap(({ measuredOn: date, readings }) => {
    const kg = massOf(readings)
    return kg === undefined || taken.has(date) ? [] : [{ date, kg }]
  })
  const days = [...view.value.weighIns, ...own].sort((a, b) => (a.date < b.date ? -1 : 1))
  const show = (kg: number) => massIn(kg, massUnit.value)
  const today = isoDateOf(new Date())
  return [
    {
      ...{ name: 'each day', color: FADED, symbol: 'circle', loose: true },
      points: days.map(({ date, kg }) => ({ date, value: show(kg) })),
    },
    {
      ...{ name: 'week', color: OAK, symbol: 'rect' },
      points: weeklyAverages(days).map(({ to: end, kg }) => ({
        date: end > today ? today : end,
        value: show(kg),
      })),
    },
  ]
}

function siteCurve(site: SiteId): Curve {
  const { sex } = view.value.client
  return {
    ...{ name: nameOf(site).toLowerCase(), color: OAK, symbol: 'circle' },
    points: measured.value.map((m) => {
      const value = siteValues(protocolOf(m), sex, m.readings)[site]?.value
      const inUnit =
        value === undefined ? null : isSkinfold(site) ? value : lengthIn(value, lengthUnit.value)
      return { date: m.measuredOn, value: inUnit }
    }),
  }
}

const unit = computed(() => {
  const of = subject.value
  if (of === 'parts' || of === 'mass') return massUnit.value
  if (of === 'fatPercent') return '%'
  return of === 'sum' || isSkinfold(of) ? 'mm' : lengthUnit.value
})

/** What the plan in force asks of what is shown. */
const goal = computed(() => {
  const plan = planInForce.value
  const of = subject.value === 'parts' ? ('fatMass' as const) : subject.value
  const girth = of !== 'fatPercent' && of !== 'fatMass' && of !== 'mass' && of !== 'sum'
  if (!plan || (girth && !isGirth(of))) return undefined
  const { sex, birthDate } = view.value.client
  const { goal: wanted, fatKg, leanKg, standardError } = plan.definition
  const start = { sex, ageYears: ageOn(birthDate, plan.startedOn), fatKg, leanKg, standardError }
  const value = goalOf(of, wanted, start)
  if (value === undefined) return undefined
  const inMass = of === 'fatMass' || of === 'mass'
  const shownAs = inMass
    ? massIn(value, massUnit.value)
    : girth
      ? lengthIn(value, lengthUnit.value)
      : value
  const name = `${subject.value === 'parts' ? 'goal, fat' : 'goal'} ${fixed(shownAs, 1)}`
  return { name, value: shownAs }
})

/* The period that is looked at: all of it until the coach brushes or names two dates. */
const dates = computed(() => curves.value.flatMap((c) => c.points.map((p) => p.date)).sort())
const brushed = ref<{ from: IsoDate; to: IsoDate }>()
const from = computed({
  get: () => brushed.value?.from ?? dates.value[0] ?? '',
  set: (date) => (brushed.value = { from: date, to: to.value }),
})
const to = computed({
  get: (): IsoDate => brushed.value?.to ?? dates.value.at(-1) ?? '',
  set: (date) => (brushed.value = { from: from.value, to: date }),
})
const brushing = ref(false)
const within = (date: IsoDate) => date >= from.value && date <= to.value

/** Which of the curves the slope is of. */
const followed = ref<'lean' | 'fat'>('fat')
watch(subject, () => (brushed.value = undefined))
const sloped = computed(() => {
  const curve =
    curves.value.find(({ name }) => name === followed.value) ?? curves.value.find((c) => c.loose)
  const { name, points } = curve ?? curves.value[0] ?? { name: '', points: [] }
  const inside = points.filter((p) => p.value !== null && within(p.date))
  return {
    name: subject.value === 'mass' ? 'body mass' : name,
    points: inside.map((p) => ({ x: daysBetween(dates.value[0]!, p.date) / 7, y: p.value! })),
  }
})
const trend = useTrend(computed(() => sloped.value.points))
const slopeWords = computed(() => {
  if (!trend.value) return ''
  const { slope, interval } = trend.value
  const about = interval
    ? `, 95 in 100 between ${signed(interval[0], 2)} and ${signed(interval[1], 2)}`
    : ', too few points for an interval'
  return `${signed(slope, 2)} ${unit.value} a week${about}`
})

/** First against last check-in of the period. */
const judgement = computed(() => {
  const inside = measured.value.filter((m) => within(m.measuredOn))
  const [a, b] = [inside[0], inside.at(-1)]
  return a && b && a !== b ? judgeChange(view.value.client, a, b) : undefined
})

/* Notes on the axis. */
const note = reactive({
  date: isoDateOf(new Date()),
  kind: 'phase' as ClientNote['kind'],
  words: '',
})
const { trouble, submit } = useSubmit()
async function change(run: () => Promise<ClientNote[]>) {
  const all = await submit(run)
  if (!all) return
  patch({ notes: all })
  note.words = ''
}
const addNote = () => {
  const body = { id: newId(), ...note }
  return change(() => callApi(notes.add, { params: { id }, body }))
}
const removeNote = (noteId: string) =>
  change(() => callApi(notes.remove, { params: { id, note: noteId } }))

const slopeOf = [
  { value: 'fat' as const, name: 'slope of fat' },
  { value: 'lean' as const, name: 'slope of lean' },
]
const label = computed(() => {
  const name = subjects.value.find((s) => s.id === subject.value)?.name ?? ''
  const wanted = goal.value ? ` The ${goal.value.name} ${unit.value}.` : ''
  return `${name}, from ${from.value} to ${to.value}. ${slopeWords.value}${wanted}`
})
</script>

<template>
  <ClientPage :view="view" :error="error">
    <PercentagesChoice v-if="hiding" v-model="asked" :name="view.client.name" class="pb-3" />
    <div class="flex flex-wrap items-end gap-x-6 gap-y-3 pb-2">
      <FieldRow id="subject" label="What is shown">
        <select id="subject" v-model="subject" class="field w-auto!">
          <option v-for="s in subjects" :key="s.id" :value="s.id">{{ s.name }}</option>
        </select>
      </FieldRow>
      <ChoiceRow
        v-if="subject === 'parts' || subject === 'mass'"
        v-model="massUnit"
        label="Masses in"
        hide-label
        :options="MASS_UNITS"
      />
      <button
        type="button"
        class="button print:hidden"
        :aria-pressed="brushing"
        @click="brushing = !brushing"
      >
        {{ brushing ? 'Draw across the chart' : 'Compare a stretch' }}
      </button>
    </div>
    <div v-if="curves.length" class="h-[380px]" data-test="curve">
      <ClientOnly>
        <LazySeriesChart
          :curves="curves"
          :unit="unit"
          :digits="1"
          :events="view.notes"
          :goal="goal"
          :label="label"
          :brushing="brushing"
          @brush="(a, b) => (brushed = { from: a, to: b })"
        />
      </ClientOnly>
    </div>
    <p v-else class="text-lg">A curve needs a check-in first.</p>
    <ul v-if="gaps.length" class="text-faded">
      <li v-for="gap in gaps" :key="gap.id">
        {{ formatDate(gap.on, true) }} has no point: {{ gap.gap }}.
      </li>
    </ul>

    <section v-if="curves.length" class="pt-4">
      <h2 class="border-b-2 border-ink pb-1 text-xl">The stretch</h2>
      <div class="flex flex-wrap items-end gap-3 py-3">
        <FieldRow id="from" label="from">
          <input id="from" v-model="from" type="date" class="field" />
        </FieldRow>
        <FieldRow id="to" label="to">
          <input id="to" v-model="to" type="date" class="field" />
        </FieldRow>
        <button v-if="brushed" type="button" class="button" @click="brushed = undefined">
          All of it
        </button>
        <ChoiceRow
          v-if="subject === 'parts'"
          v-model="followed"
          label="Slope of"
          hide-label
          :options="slopeOf"
        />
      </div>
      <p class="text-lg" role="status" data-test="slope">
        <template v-if="slopeWords">
          Slope of {{ sloped.name }}: <strong>{{ slopeWords }}</strong> (Theil and Sen, robust
          against odd days).
        </template>
        <template v-else-if="sloped.points.length < 2">
          Two points are needed for a slope.
        </template>
      </p>
      <div v-if="judgement" class="pt-3">
        <p class="pb-1 text-faded">
          {{ formatDate(judgement.since, true) }} against {{ formatDate(judgement.until, true) }}
        </p>
        <VerdictTable :judgement="judgement" :unit="massUnit" :percentages="shown" />
      </div>
    </section>

    <section class="pt-6 print:hidden">
      <h2 class="border-b-2 border-ink pb-1 text-xl">Notes on the axis</h2>
      <ul v-if="view.notes.length">
        <li
          v-for="event in view.notes"
          :key="event.id"
          class="flex items-center gap-3 border-b border-line"
        >
          <span class="w-32">{{ formatDate(event.date, true) }}</span>
          <span class="flex-1">
            {{ event.words }} <span class="text-faded">{{ event.kind }}</span>
          </span>
          <button type="button" class="min-h-11 px-3 underline" @click="removeNote(event.id)">
            take away<span class="sr-only">: {{ event.words }}</span>
          </button>
        </li>
      </ul>
      <form class="flex flex-wrap items-end gap-3 pt-3" @submit.prevent="addNote">
        <FieldRow id="note-date" label="Day">
          <input id="note-date" v-model="note.date" type="date" class="field" />
        </FieldRow>
        <FieldRow id="note-kind" label="Kind">
          <select id="note-kind" v-model="note.kind" class="field">
            <option v-for="k in CLIENT_NOTE_KINDS" :key="k" :value="k">
              {{ k === 'phase' ? 'new phase' : k }}
            </option>
          </select>
        </FieldRow>
        <FieldRow id="note-words" label="In a few words" class="min-w-48 flex-1">
          <input id="note-words" v-model="note.words" class="field" maxlength="80" />
        </FieldRow>
        <button type="submit" class="button">Put on the axis</button>
      </form>
      <AlertLine :text="trouble" />
    </section>
  </ClientPage>
</template>

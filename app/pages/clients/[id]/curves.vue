<script setup lang="ts">
import { daysBetween, formatDate, isoDateOf, signed, type IsoDate } from '#core'
import { v4 as newId } from 'uuid'
import { CLIENT_NOTE_KINDS } from '#shared/contract/choices'
import type { ClientNote } from '#shared/contract/notes'
import { notes } from '~/contract'

await breathe()

const { id, view, error, patch, measured } = await useClientRecord('curves')

const massUnit = useMassUnit()
const lengthUnit = useLengthUnit()
const { hiding, shown, asked } = usePercentages(() => view.value?.client)

const { subject, subjects, gaps, curves, ready, unit, goal } = useClientCurves(
  view,
  measured,
  shown,
)
await workOut(gaps)

/* The period that is looked at: all of it until the coach brushes or names two dates. */
const dates = computed(() => curves.value.flatMap((c) => c.points.map((p) => p.date)).sort())
const route = useRoute()
/** The two check-ins that were chosen on another page about the client. */
const chosen = computed(() => {
  const on = (id: unknown) => measured.value.find((m) => m.id === id)?.measuredOn
  const [from, to] = [on(route.query.then), on(route.query.now)]
  return from && to ? { from, to } : undefined
})
const brushed = ref(chosen.value)
const from = computed({
  get: () => brushed.value?.from ?? dates.value[0] ?? '',
  set: (date) => (brushed.value = { from: date, to: to.value }),
})
const to = computed({
  get: (): IsoDate => brushed.value?.to ?? dates.value.at(-1) ?? '',
  set: (date) => (brushed.value = { from: from.value, to: date }),
})
const brushing = ref(false)
const atRest = useAtRest()
/** The chart can be drawn across: it is a picture at first. */
const live = ref(false)
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

/** First and last check-in of the period. */
const ends = computed(() => {
  const inside = measured.value.filter((m) => within(m.measuredOn))
  const [a, b] = [inside[0], inside.at(-1)]
  return a && b && a !== b ? { a, b } : undefined
})
const { look } = useLook(
  view,
  measured,
  shown,
  computed(() => ends.value?.a),
)
const units = computed(() => ({ mass: massUnit.value, length: lengthUnit.value }))

/* Notes on the axis. */
/** How clothes fit and how it felt, as each check-in has it. */
const felt = computed(() =>
  measured.value.flatMap(({ measuredOn, conditions }) =>
    conditions.feels ? [{ date: measuredOn, words: conditions.feels }] : [],
  ),
)
const LONGEST_ON_AXIS = 24
const onAxis = computed(() => [
  ...view.value.notes,
  ...felt.value.map(({ date, words }) => ({
    date,
    words: words.length > LONGEST_ON_AXIS ? `${words.slice(0, LONGEST_ON_AXIS - 1)}…` : words,
  })),
])
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
  <ClientPage :view :error>
    <PercentagesChoice v-if="hiding" v-model="asked" :name="view.client.name" class="pb-3" />
    <div class="flex flex-wrap items-end gap-x-6 gap-y-3 pb-2">
      <InTurn>
        <FieldRow id="subject" label="What is shown">
          <select id="subject" v-model="subject" class="field w-auto!">
            <option v-for="s in subjects" :key="s.id" :value="s.id">{{ s.name }}</option>
          </select>
        </FieldRow>
      </InTurn>
      <InTurn v-if="subject === 'parts' || subject === 'mass'">
        <MassUnitChoice />
      </InTurn>
      <button
        type="button"
        class="button print:hidden"
        :aria-pressed="brushing"
        @click="brushing = !brushing"
      >
        {{ brushing && live ? 'Draw across the chart' : 'Compare a stretch' }}
      </button>
    </div>
    <div v-if="measured.length" class="h-[380px]" data-test="curve">
      <ClientOnly>
        <LazySeriesChart
          v-if="atRest && ready"
          :curves
          :unit
          :digits="1"
          :events="onAxis"
          :goal
          :label
          :brushing
          @live="live = true"
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

    <InTurn v-if="measured.length" unasked>
      <section class="pt-4">
        <h2 class="border-b-2 border-ink pb-1 text-xl">The stretch</h2>
        <InTurn>
          <div class="flex flex-wrap items-end gap-3 py-3">
            <TextField id="from" v-model="from" label="from" type="date" />
            <TextField id="to" v-model="to" label="to" type="date" />
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
        </InTurn>
        <p class="text-lg" role="status" data-test="slope">
          <template v-if="slopeWords">
            Slope of {{ sloped.name }}: <strong>{{ slopeWords }}</strong> (Theil and Sen, robust
            against odd days).
          </template>
          <template v-else-if="ready && sloped.points.length < 2">
            Two points are needed for a slope.
          </template>
        </p>
        <InTurn v-if="ends">
          <BetweenDates
            v-if="ends && look"
            class="pt-3"
            :look
            :units
            :then="ends.a"
            :now="ends.b"
            :sum-name="subjects.find(({ id: of }) => of === 'sum')?.name"
          />
        </InTurn>
      </section>
    </InTurn>

    <InTurn>
      <section class="pt-6 print:hidden">
        <h2 class="border-b-2 border-ink pb-1 text-xl">Notes on the axis</h2>
        <ul v-if="onAxis.length" data-test="axis-notes">
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
          <li
            v-for="{ date, words } in felt"
            :key="date"
            class="flex min-h-11 items-center gap-3 border-b border-line"
          >
            <span class="w-32">{{ formatDate(date, true) }}</span>
            <span class="flex-1">“{{ words }}” <span class="text-faded">check-in</span></span>
          </li>
        </ul>
        <form class="flex flex-wrap items-end gap-3 pt-3" @submit.prevent="addNote">
          <TextField id="note-date" v-model="note.date" label="Day" type="date" />
          <FieldRow id="note-kind" label="Kind">
            <select id="note-kind" v-model="note.kind" class="field">
              <option v-for="k in CLIENT_NOTE_KINDS" :key="k" :value="k">
                {{ k === 'phase' ? 'new phase' : k }}
              </option>
            </select>
          </FieldRow>
          <TextField
            id="note-words"
            v-model="note.words"
            label="In a few words"
            class="min-w-48 flex-1"
            maxlength="80"
          />
          <button type="submit" class="button">Put on the axis</button>
        </form>
        <AlertLine :text="trouble" />
      </section>
    </InTurn>
  </ClientPage>
</template>

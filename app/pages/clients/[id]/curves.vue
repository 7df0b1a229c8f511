<script setup lang="ts">
import { daysBetween, isoDateOf, type IsoDate } from '#core'
import { v4 as newId } from 'uuid'
import { CLIENT_NOTE_KINDS } from '#shared/contract/choices'
import type { ClientNote } from '#shared/contract/notes'
import { notes } from '~/contract'

await breathe()

const { id, view, error, patch, measured } = await useClientRecord('client.curves')

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
    name: subject.value === 'mass' ? t('curves.bodyMass') : name,
    points: inside.map((p) => ({ x: daysBetween(dates.value[0]!, p.date) / 7, y: p.value! })),
  }
})
const trend = useTrend(computed(() => sloped.value.points))
const slopeWords = computed(() => {
  if (!trend.value) return ''
  const { slope, interval } = trend.value
  const of = { slope: signed(slope, 2), unit: unit.value }
  return interval
    ? t('client.trendRange', { ...of, low: signed(interval[0], 2), high: signed(interval[1], 2) })
    : t('client.trendFewPoints', of)
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
  { value: 'fat' as const, name: t('curves.slopeFat') },
  { value: 'lean' as const, name: t('curves.slopeLean') },
]
const label = computed(() => {
  const name = subjects.value.find((s) => s.id === subject.value)?.name ?? ''
  return [
    t('curves.curveLabel', { name, from: from.value, to: to.value }),
    slopeWords.value,
    ...(goal.value ? [`${goal.value.name} ${unit.value}`] : []),
  ].join('. ')
})
</script>

<template>
  <ClientPage :view :error>
    <PercentagesChoice v-if="hiding" v-model="asked" :name="view.client.name" class="pb-3" />
    <div v-if="measured.length" class="flex flex-wrap items-end gap-x-6 gap-y-3 pb-2">
      <InTurn>
        <FieldRow id="subject" :label="t('client.whatShown')">
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
        {{ brushing && live ? t('curves.drawAcrossChart') : t('curves.compareStretch') }}
      </button>
    </div>
    <div v-if="measured.length" class="min-h-[456px]" data-test="curve">
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
    <NeedsCheckIn v-else :client-id="id" :text="t('curves.curveNeedsCheckFirst')" />
    <ul v-if="gaps.length" class="text-faded">
      <li v-for="gap in gaps" :key="gap.id">
        {{ t('curves.noPointGap', { on: formatDate(gap.on, true), gap: gap.gap }) }}
      </li>
    </ul>

    <InTurn v-if="measured.length" unasked>
      <section class="pt-4">
        <h2 class="border-b-2 border-ink pb-1 text-xl">{{ t('curves.stretch') }}</h2>
        <InTurn>
          <div class="flex flex-wrap items-end gap-3 py-3">
            <TextField id="from" v-model="from" :label="t('curves.from')" type="date" />
            <TextField id="to" v-model="to" :label="t('curves.to2')" type="date" />
            <button v-if="brushed" type="button" class="button" @click="brushed = undefined">
              {{ t('client.allDates') }}
            </button>
            <ChoiceRow
              v-if="subject === 'parts'"
              v-model="followed"
              :label="t('curves.slope')"
              hide-label
              :options="slopeOf"
            />
          </div>
        </InTurn>
        <p class="text-lg" role="status" data-test="slope">
          <template v-if="slopeWords">
            {{ t('curves.weeklyTrend', { name: sloped.name }) }} <strong>{{ slopeWords }}</strong>
            {{ t('curves.robust') }}
          </template>
          <template v-else-if="ready && sloped.points.length < 2">
            {{ t('curves.twoPointsNeededSlope') }}
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
        <h2 class="border-b-2 border-ink pb-1 text-xl">{{ t('curves.notesAxis') }}</h2>
        <ul v-if="onAxis.length" data-test="axis-notes">
          <li
            v-for="event in view.notes"
            :key="event.id"
            class="flex items-center gap-3 border-b border-line"
          >
            <span class="w-32">{{ formatDate(event.date, true) }}</span>
            <span class="flex-1">
              {{ event.words }}
              <span class="text-faded">{{ t(`curves.noteKinds.${event.kind}`) }}</span>
            </span>
            <button type="button" class="min-h-11 px-3 underline" @click="removeNote(event.id)">
              {{ t('client.delete') }} <span class="sr-only">{{ event.words }}</span>
            </button>
          </li>
          <li
            v-for="{ date, words } in felt"
            :key="date"
            class="flex min-h-11 items-center gap-3 border-b border-line"
          >
            <span class="w-32">{{ formatDate(date, true) }}</span>
            <span class="flex-1"
              >“{{ words }}” <span class="text-faded">{{ t('curves.check2') }}</span></span
            >
          </li>
        </ul>
        <form class="flex flex-wrap items-end gap-3 pt-3" @submit.prevent="addNote">
          <TextField id="note-date" v-model="note.date" :label="t('curves.day')" type="date" />
          <FieldRow id="note-kind" :label="t('curves.kind')">
            <select id="note-kind" v-model="note.kind" class="field">
              <option v-for="k in CLIENT_NOTE_KINDS" :key="k" :value="k">
                {{ t(`curves.noteKinds.${k}`) }}
              </option>
            </select>
          </FieldRow>
          <TextField
            id="note-words"
            v-model="note.words"
            :label="t('curves.fewWords')"
            class="min-w-48 flex-1"
            maxlength="80"
          />
          <button type="submit" class="button">{{ t('curves.putAxis') }}</button>
        </form>
        <AlertLine :text="trouble" />
      </section>
    </InTurn>
  </ClientPage>
</template>

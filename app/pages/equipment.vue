<script setup lang="ts">
import {
  checkOverdue,
  INSTRUMENT_UNITS,
  judgeCheck,
  plainText,
  typedNumber,
  USUAL_POINTS,
  type InstrumentKind,
} from '#core'
import { v4 as newId } from 'uuid'
import { JAWS } from '#shared/contract/choices'
import type { Gym, Instrument, Tester } from '#shared/contract/equipment'
import { gym as routes } from '~/contract'

await breathe()

const { data, error } = await useAsyncData('gym', () => callApi(routes.view, {}))
await breathe()
const gym = computed(() => data.value as Gym)
usePageTitle(() => t('equipment.equipment'))

const KINDS: { id: InstrumentKind; name: string }[] = [
  { id: 'caliper', name: t('equipment.calipers') },
  { id: 'tape', name: t('equipment.tapes') },
  { id: 'scale', name: t('equipment.scales') },
]
const SKILLS = [
  {
    value: 'trained' as const,
    name: t('equipment.trained'),
    detail: t('equipment.usualErrorPractisedHand'),
  },
  {
    value: 'novice' as const,
    name: t('equipment.novice'),
    detail: t('equipment.twoThreeTimesAsMuch'),
  },
]

const { trouble, submit } = useSubmit()
async function save(call: () => Promise<Gym>) {
  const gymNow = await submit(call)
  if (!gymNow) return
  data.value = gymNow
  leave()
}
function leave() {
  editing.value = undefined
  checking.value = undefined
  person.value = undefined
}

/* Instruments. */
interface InstrumentDraft {
  id?: string
  kind: InstrumentKind
  name: string
  graduation: string
  jaws: (typeof JAWS)[number] | null
  checkEveryDays: string
  retired: boolean
}
const editing = ref<InstrumentDraft>()
function edit(kind: InstrumentKind, from?: Instrument) {
  editing.value = {
    kind,
    id: from?.id,
    name: from?.name ?? '',
    graduation: from?.graduation == null ? '' : String(from.graduation),
    jaws: from?.jaws ?? (kind === 'caliper' ? 'spring' : null),
    checkEveryDays: String(from?.checkEveryDays ?? 180),
    retired: from?.retired ?? false,
  }
}
const number = (text: string) => typedNumber(plainText(text)) ?? NaN
function saveInstrument() {
  const { id, graduation, checkEveryDays, ...rest } = editing.value!
  const body = {
    ...rest,
    graduation: graduation.trim() ? number(graduation) : null,
    checkEveryDays: number(checkEveryDays),
  }
  return save(() =>
    id
      ? callApi(routes.changeInstrument, { params: { id }, body })
      : callApi(routes.addInstrument, { body: { ...body, id: newId() } }),
  )
}

/* Checks. */
const checking = ref<{ instrument: Instrument; points: { known: string; read: string }[] }>()
function check(instrument: Instrument) {
  checking.value = {
    instrument,
    points: USUAL_POINTS[instrument.kind].map((known) => ({ known: String(known), read: '' })),
  }
}
const typedPoints = computed(() =>
  (checking.value?.points ?? [])
    .filter(({ known, read }) => known.trim() && read.trim())
    .map(({ known, read }) => ({ known: number(known), read: number(read) })),
)
const verdict = computed(() => {
  const instrument = checking.value?.instrument
  const points = typedPoints.value
  if (!instrument || !points.length || points.some((p) => Number.isNaN(p.known + p.read))) return
  return judgeCheck(instrument.kind, points, instrument.graduation)
})
function saveCheck() {
  const { id } = checking.value!.instrument
  return save(() =>
    callApi(routes.checkInstrument, {
      params: { id },
      body: { id: newId(), checkedOn: gym.value.today, points: typedPoints.value },
    }),
  )
}

const overdue = (instrument: Instrument) =>
  checkOverdue(instrument.checks[0]?.checkedOn ?? null, instrument.checkEveryDays, gym.value.today)
function lastCheck({ checks, kind, graduation }: Instrument): string {
  const [last] = checks
  if (!last) return ''
  return t('equipment.lastCheck', {
    day: formatDate(last.checkedOn, true),
    words: judgeCheck(kind, last.points, graduation).words,
  })
}

/* People. */
const person = ref<{ id?: string; name: string; skill: Tester['skill']; retired: boolean }>()
function savePerson() {
  const { id, ...body } = person.value!
  return save(() =>
    id
      ? callApi(routes.changeTester, { params: { id }, body })
      : callApi(routes.addTester, { body: { ...body, id: newId() } }),
  )
}

/** What the form over the page is about; one thing at a time. */
const asked = computed(() => {
  if (editing.value) {
    return {
      title: editing.value.id ? t('equipment.edit') : t('equipment.add'),
      action: t('equipment.keep'),
      keep: saveInstrument,
    }
  }
  if (checking.value) {
    const title = t('equipment.checkName', { name: checking.value.instrument.name })
    return { title, action: t('equipment.keepCheckToday'), keep: saveCheck }
  }
  return (
    person.value && {
      title: person.value.id ? t('equipment.editTester') : t('equipment.addTester'),
      ...{ action: t('equipment.keep'), keep: savePerson },
    }
  )
})
</script>

<template>
  <main class="mx-auto max-w-4xl px-4 py-6 sm:px-6">
    <h1 class="pb-1 text-[40px]">{{ t('equipment.equipment') }}</h1>
    <p class="pb-4 text-lg">
      {{ t('equipment.whatYouMeasureWhetherStill') }}
    </p>
    <LoadTrouble v-if="error" :error />
    <template v-else>
      <InTurn v-for="kind in KINDS" :key="kind.id">
        <section class="pb-6">
          <ListHead
            :name="kind.name"
            :to="t('equipment.name', { name: kind.name })"
            @add="edit(kind.id)"
          />
          <ul>
            <li
              v-for="instrument in gym.instruments.filter((i) => i.kind === kind.id)"
              :key="instrument.id"
              class="flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-line py-2"
            >
              <div class="min-w-52 flex-1">
                <p class="text-lg font-bold" :class="{ 'line-through': instrument.retired }">
                  {{ instrument.name }}
                </p>
                <p class="text-faded">
                  <template v-if="instrument.graduation">
                    {{
                      t('equipment.readsGraduationId', {
                        graduation: instrument.graduation,
                        id: INSTRUMENT_UNITS[kind.id],
                      })
                    }}
                  </template>
                  <template v-if="instrument.jaws">
                    {{
                      t('equipment.jawsJaws', { jaws: t(`equipment.jawKinds.${instrument.jaws}`) })
                    }}
                  </template>
                  <template v-if="instrument.retired"> {{ t('equipment.putAway') }}</template>
                </p>
                <p v-if="lastCheck(instrument)">{{ lastCheck(instrument) }}</p>
                <p v-if="!instrument.retired && overdue(instrument)" class="font-bold text-clay">
                  {{ tell(overdue(instrument)) }}
                </p>
              </div>
              <NamedButton :of="instrument.name" @click="check(instrument)">{{
                t('equipment.check')
              }}</NamedButton>
              <NamedButton :of="instrument.name" @click="edit(kind.id, instrument)">{{
                t('equipment.edit')
              }}</NamedButton>
            </li>
          </ul>
        </section>
      </InTurn>
      <InTurn>
        <section class="pb-6">
          <ListHead
            :name="t('equipment.testers')"
            :to="t('equipment.tester')"
            @add="person = { name: '', skill: 'trained', retired: false }"
          />
          <ul>
            <li
              v-for="coach in gym.testers"
              :key="coach.id"
              class="flex items-center gap-4 border-b border-line py-2"
            >
              <p class="flex-1 text-lg">
                <strong :class="{ 'line-through': coach.retired }">{{ coach.name }}</strong>
                <span class="text-faded">
                  {{ t('equipment.skillHand', { skill: coach.skill }) }}</span
                >
              </p>
              <NamedButton :of="coach.name" @click="person = { ...coach }">{{
                t('equipment.edit')
              }}</NamedButton>
            </li>
          </ul>
          <p class="pt-2 text-faded">
            {{ t('equipment.testerSOwnDuplicatesTake') }}
          </p>
        </section>
      </InTurn>
    </template>

    <AskForm
      :title="asked?.title ?? ''"
      :open="asked !== undefined"
      :trouble
      :action="asked?.action ?? ''"
      @close="leave"
      @keep="asked!.keep()"
    >
      <template v-if="editing">
        <TextField
          id="instrument-name"
          v-model="editing.name"
          :label="t('equipment.name2')"
          maxlength="60"
        />
        <TextField
          id="graduation"
          v-model="editing.graduation"
          :label="t('equipment.smallestStepKind', { kind: INSTRUMENT_UNITS[editing.kind] })"
          :hint="t('equipment.n05Or1Empty')"
          inputmode="decimal"
        />
        <ChoiceRow
          v-if="editing.kind === 'caliper' && editing.jaws"
          v-model="editing.jaws"
          :label="t('equipment.jaws')"
          :options="JAWS.map((jaw) => ({ value: jaw, name: t(`equipment.jawKinds.${jaw}`) }))"
        />
        <TextField
          id="check-every"
          v-model="editing.checkEveryDays"
          :label="t('equipment.daysBetweenChecks')"
          inputmode="numeric"
        />
        <TickBox v-model="editing.retired">{{ t('equipment.putAwayNoLongerUsed') }}</TickBox>
      </template>
      <template v-else-if="checking">
        <p>
          {{
            {
              caliper: t('equipment.setJawsKnownGapsGauge'),
              tape: t('equipment.layTapeAlongSteelRule'),
              scale: t('equipment.putKnownWeightsScale'),
            }[checking.instrument.kind]
          }}
        </p>
        <table class="w-full text-left">
          <thead class="text-faded">
            <tr>
              <th scope="col" class="font-normal">
                {{ t('equipment.knownKind', { kind: INSTRUMENT_UNITS[checking.instrument.kind] }) }}
              </th>
              <th scope="col" class="font-normal">{{ t('equipment.reads') }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(point, i) in checking.points" :key="i">
              <td class="py-1 pr-3">
                <input
                  v-model="point.known"
                  class="field"
                  inputmode="decimal"
                  autocomplete="off"
                  :aria-label="t('equipment.knownPointI', { i: i + 1 })"
                />
              </td>
              <td class="py-1">
                <input
                  :id="`read-${i}`"
                  v-model="point.read"
                  :data-first="i === 0 ? '' : undefined"
                  class="field"
                  inputmode="decimal"
                  autocomplete="off"
                  :aria-label="t('equipment.readsPointI', { i: i + 1 })"
                />
              </td>
            </tr>
          </tbody>
        </table>
        <p
          v-if="verdict"
          role="status"
          class="font-bold"
          :class="verdict.passed ? 'text-leaf' : 'text-clay'"
        >
          {{ verdict.passed ? '✓' : '✗' }} {{ tell(verdict.words) }}
        </p>
      </template>
      <template v-else-if="person">
        <TextField
          id="coach-name"
          v-model="person.name"
          :label="t('equipment.name2')"
          maxlength="60"
        />
        <ChoiceRow v-model="person.skill" :label="t('equipment.experience')" :options="SKILLS" />
        <TickBox v-model="person.retired">{{ t('equipment.noLongerMeasuresHere') }}</TickBox>
      </template>
    </AskForm>
  </main>
</template>

<script setup lang="ts">
import { INSTRUMENT_UNITS, plainText, typedNumber, type InstrumentKind } from '#core'
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
  { id: 'bone-caliper', name: t('equipment.boneCalipers') },
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

/** The instrument whose check is typed. */
const checking = ref<Instrument>()

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
            <InstrumentLine
              v-for="instrument in gym.instruments.filter((i) => i.kind === kind.id)"
              :key="instrument.id"
              :instrument
              :today="gym.today"
              @check="checking = instrument"
              @edit="edit(kind.id, instrument)"
              @changed="data = $event"
            />
          </ul>
        </section>
      </InTurn>
      <InTurn>
        <section class="pb-6">
          <ListHead
            :name="t('equipment.testers')"
            :to="t('equipment.tester')"
            @add="person = { name: '', skill: 'novice', retired: false }"
          />
          <ul>
            <li
              v-for="coach in gym.testers"
              :key="coach.id"
              class="flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-line py-2"
            >
              <p class="flex-1 text-lg">
                <strong :class="{ 'line-through': coach.retired }">{{ coach.name }}</strong>
                <span class="pl-2 text-faded">{{ t(`equipment.${coach.skill}`) }}</span>
              </p>
              <NuxtLink :to="`/equipment/testers/${coach.id}`" class="button">
                {{ t('equipment.howSteady') }}<span class="sr-only">{{ ` ${coach.name}` }}</span>
              </NuxtLink>
              <NamedButton :of="coach.name" @click="person = { ...coach }">{{
                t('equipment.edit')
              }}</NamedButton>
            </li>
          </ul>
          <p class="pt-3">
            <NuxtLink to="/equipment/practice" class="button max-w-full whitespace-normal">{{
              t('equipment.practice')
            }}</NuxtLink>
          </p>
          <p class="pt-3">
            <NuxtLink to="/equipment/devices" class="button max-w-full whitespace-normal">{{
              t('equipment.devices')
            }}</NuxtLink>
          </p>
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
    <CheckForm
      :instrument="checking"
      :today="gym?.today ?? ''"
      @close="checking = undefined"
      @kept="((data = $event), (checking = undefined))"
    />
  </main>
</template>

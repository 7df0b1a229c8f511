<script setup lang="ts">
import { v4 as newId } from 'uuid'
import type { Gym, InstrumentForm, Tester } from '#shared/contract/equipment'
import { FIRST_TESTER_NAME } from '#shared/contract/choices'
import type { ClientForm } from '#shared/contract/clients'
import { clients, gym as routes } from '~/contract'

/**
 * The first start of an empty record, on one screen: who measures, in which units and with what; then somebody is
 * measured at once, old records are brought in, or the made-up club is looked at.
 */
const { gym } = defineProps<{ gym: Gym }>()

const massUnit = useMassUnit()
const lengthUnit = useLengthUnit()

/** Nobody has said a name yet where it is the one that every record starts with. */
const named = gym.testers.find(({ id: testerId }) => testerId === gym.settings.testerId)?.name
const coach = ref(named === FIRST_TESTER_NAME ? '' : (named ?? ''))
type CaliperKind = 'spring' | 'hand' | 'click' | 'none'
/** Each kind of caliper with the graduation that is usual of it, mm: common practice, no source. */
const CALIPERS = [
  { value: 'spring', graduation: 0.5, name: t('welcome.spring'), detail: t('welcome.springHint') },
  { value: 'hand', graduation: 1, name: t('welcome.hand'), detail: t('welcome.handHint') },
  { value: 'click', graduation: 1, name: t('welcome.click'), detail: t('welcome.clickHint') },
  { value: 'none', graduation: null, name: t('welcome.none'), detail: t('welcome.noneHint') },
] satisfies { value: CaliperKind; graduation: number | null; name: string; detail: string }[]
const caliper = ref<CaliperKind>('spring')
/** A hand that nobody has tested is not called practiced: a study, or the coach, says so. */
const skill = ref<Tester['skill']>('novice')
const SKILLS = [
  { value: 'novice' as const, name: t('welcome.novice') },
  { value: 'trained' as const, name: t('welcome.trained') },
]
const protocolId = computed(() => (caliper.value === 'none' ? 'tape-only' : 'three-fold'))

// Made once: what is sent again after an answer that got lost adds nobody twice.
const id = newId()
const who = reactive({ name: '', sex: '' as ClientForm['sex'], birthYear: '' })

const you = useSubmit()
const client = useSubmit()
const { start, busy: starting, trouble: notStarted } = useStartCheckIn()
const busy = computed(() => you.busy.value || client.busy.value || starting.value)

/** Writes down who measures and with what. @returns whether it is on record */
async function keepYou(): Promise<boolean> {
  const { testers, instruments, settings } = gym
  const kept = await you.submit(async () => {
    const { id: testerId, ...tester } = testers.find((one) => one.id === settings.testerId)!
    await callApi(routes.changeTester, {
      params: { id: testerId },
      body: { ...tester, name: coach.value.trim(), skill: skill.value },
    })
    const first = instruments.find(({ kind }) => kind === 'caliper')
    const chosen = CALIPERS.find(({ value }) => value === caliper.value)!
    const caliperId = chosen.value === 'none' ? null : (first?.id ?? null)
    if (first && chosen.value !== 'none') {
      const { id: instrumentId, checks: _, ...form } = first
      const { value: jaws, graduation } = chosen
      const body: Omit<InstrumentForm, 'id'> = { ...form, jaws, graduation }
      await callApi(routes.changeInstrument, { params: { id: instrumentId }, body })
    }
    return callApi(routes.change, { body: { caliperId } })
  })
  return kept !== undefined
}

async function measure() {
  if (!(await keepYou())) return
  const added = await client.submit(() =>
    callApi(clients.add, {
      body: {
        ...{ id, name: who.name, sex: who.sex },
        birthDate: null,
        birthYear: who.birthYear.trim() === '' ? null : Number(who.birthYear),
        height: null,
      },
    }),
  )
  if (added) await start(added.id, { protocolId: protocolId.value })
}

async function bringIn() {
  if (coach.value.trim() !== '' && !(await keepYou())) return
  await navigateTo('/bring-in')
}

const { enter } = useMadeUp()
</script>

<template>
  <section class="mx-auto max-w-3xl">
    <h1 class="pb-1 text-[40px]">{{ t('welcome.title') }}</h1>
    <p class="pb-4 text-lg">{{ t('welcome.intro') }}</p>
    <form class="space-y-5" novalidate @submit.prevent="measure">
      <div class="flex flex-wrap items-start gap-x-8 gap-y-4">
        <TextField
          id="coach"
          v-model="coach"
          :label="t('welcome.yourName')"
          :hint="t('welcome.yourNameHint')"
          :error="you.problems.value.name"
          class="sm:w-72!"
          autocomplete="name"
          autofocus
        />
        <ChoiceRow v-model="massUnit" :label="t('welcome.weight')" :options="MASS_UNITS" />
        <ChoiceRow v-model="lengthUnit" :label="t('welcome.girths')" :options="LENGTH_UNITS" />
      </div>
      <ChoiceRow v-model="caliper" :label="t('welcome.caliper')" even :options="CALIPERS" />
      <ChoiceRow
        v-if="caliper !== 'none'"
        v-model="skill"
        :label="t('welcome.skill')"
        :options="SKILLS"
      />
      <fieldset class="border-2 border-line bg-board px-4 pt-2 pb-4 sm:px-5">
        <legend class="figure px-1 text-[26px]">{{ t('welcome.measure') }}</legend>
        <p class="pb-3 text-faded">
          {{ caliper === 'none' ? t('welcome.measureHintTape') : t('welcome.measureHint') }}
        </p>
        <div class="grid gap-x-5 gap-y-3 sm:grid-cols-[1fr_auto_9rem]">
          <TextField
            id="client-name"
            v-model="who.name"
            :label="t('welcome.clientName')"
            :error="client.problems.value.name"
          />
          <FieldRow id="sex" :error="client.problems.value.sex">
            <ChoiceRow
              v-model="who.sex"
              :label="t('clients.sexUsedEquations')"
              :options="sexChoices()"
            />
          </FieldRow>
          <TextField
            id="birth-year"
            v-model="who.birthYear"
            :label="t('clients.yearOfBirth')"
            :error="client.problems.value.birthYear"
            inputmode="numeric"
            maxlength="4"
          />
        </div>
        <AlertLine :text="you.trouble.value || client.trouble.value || notStarted" />
        <button type="submit" class="button button-lead mt-4" :disabled="busy">
          {{ t('welcome.start') }}
        </button>
      </fieldset>
    </form>
    <h2 class="pt-6 pb-2 text-2xl">{{ t('welcome.orFirst') }}</h2>
    <ul class="grid gap-4 sm:grid-cols-2">
      <li>
        <button type="button" class="button w-full" :disabled="busy" @click="enter">
          {{ t('welcome.lookAround') }}
        </button>
        <p class="pt-1 text-faded">{{ t('welcome.lookAroundHint') }}</p>
      </li>
      <li>
        <button type="button" class="button w-full" :disabled="busy" @click="bringIn">
          {{ t('welcome.oldRecords') }}
        </button>
        <p class="pt-1 text-faded">{{ t('welcome.oldRecordsHint') }}</p>
      </li>
    </ul>
    <p class="pt-4">
      <NuxtLink to="/guide" class="link">{{ t('welcome.guide') }}</NuxtLink>
    </p>
  </section>
</template>

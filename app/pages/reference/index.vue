<script setup lang="ts">
import { v4 as newId } from 'uuid'
import {
  attempt,
  estimateEvery,
  GIRTH_IDS,
  isoDateOf,
  isSkinfold,
  landmarkOf,
  LANDMARKS,
  nameOf,
  parseHeight,
  parseMass,
  PROTOCOLS,
  LANDMARK_STANDARD_NAMES,
  type Conversion,
  type LocatedValue,
  type LandmarkStandard,
  type Sex,
  type SiteId,
  type Typed,
} from '#core'
import type { CheckIn, NewReading } from '#shared/contract/check-ins'
import { checkIns, clients as clientRoutes, gym as gymRoutes } from '~/contract'

await breathe()

useHead({ title: 'Quick estimate · Oak Pinch' })

const { data: gym } = await useAsyncData('gym', () => callApi(gymRoutes.view, {}))
await breathe()
const lengthUnit = useLengthUnit()
const massUnit = useMassUnit()

const sex = ref<Sex>('female')
const standard = ref<LandmarkStandard>(gym.value?.settings.standard ?? 'us')
const conversion = ref<Conversion>('siri')
const texts = reactive<Record<string, string>>({ age: '', height: '', mass: '' })

const standards = (['us', 'int', 'dw', 'gym'] as LandmarkStandard[]).map((value) => ({
  value,
  name: LANDMARK_STANDARD_NAMES[value],
}))
const folds = computed(() =>
  LANDMARKS.filter((l) => l.standard === standard.value).map(({ site }) => site),
)

interface Field {
  value?: number
  typed?: Typed
  problem?: string
}

function fieldOf(id: string): Field {
  const text = texts[id]?.trim() ?? ''
  if (!text) return {}
  if (id === 'age') {
    const age = Number(text)
    return Number.isFinite(age) && age >= 0 && age <= 120
      ? { value: age }
      : { problem: `Age: got “${text}”. Accepted: completed years, 0 to 120.` }
  }
  if (id !== 'height' && id !== 'mass') {
    const { typed, problem } = readSite(id as SiteId, text, lengthUnit.value)
    return problem ? { problem } : { value: typed!.value, typed }
  }
  const parsed = attempt(() =>
    id === 'height' ? parseHeight(text) : parseMass(text, massUnit.value),
  )
  return parsed.ok
    ? { value: parsed.value.value, typed: parsed.value }
    : { problem: parsed.error.message }
}

const sites = computed<SiteId[]>(() => [...folds.value, ...GIRTH_IDS])
const fields = computed(() =>
  Object.fromEntries(
    ['age', 'height', 'mass', ...sites.value].map((id): [string, Field] => [id, fieldOf(id)]),
  ),
)
const measured = computed<LocatedValue[]>(() =>
  sites.value.flatMap((site) => {
    const value = fields.value[site]?.value
    if (value === undefined) return []
    return [{ site, value, standard: isSkinfold(site) ? standard.value : null }]
  }),
)
const results = computed(() => {
  const { age, height, mass } = fields.value
  if (age?.value === undefined) return []
  const subject = {
    sex: sex.value,
    ageYears: age.value,
    heightCm: height?.value,
    massKg: mass?.value,
  }
  return estimateEvery(subject, measured.value, { conversion: conversion.value })
})
const nothing = computed(() => {
  if (measured.value.length === 0)
    return 'Type what was read: every equation appears as soon as its numbers are in.'
  if (fields.value.age?.value === undefined) return 'Type the age: every equation wants it.'
  return 'No equation has all its numbers yet.'
})

/** The field of a fold says where its standard takes it. */
const siteFields = (sites: readonly SiteId[]) =>
  sites.map((site) => ({
    ...{ id: site, label: nameOf(site), problem: fields.value[site]?.problem },
    title: isSkinfold(site) ? landmarkOf(site, standard.value)?.where[sex.value] : undefined,
  }))

/* Kept only when asked: as a check-in of a client. */
const keeping = ref(false)
const clients = ref<{ id: string; name: string; sex: Sex }[]>([])
const { trouble, submit } = useSubmit()
const set = computed(() =>
  PROTOCOLS.find(
    (p) =>
      p.standard === standard.value &&
      measured.value.every(({ site }) => !isSkinfold(site) || p.folds[sex.value].includes(site)),
  ),
)
async function askWhose() {
  keeping.value = true
  const found = await submit(() => callApi(clientRoutes.list, {}))
  clients.value = (found?.entries ?? [])
    .map(({ client }) => client)
    .filter((c) => c.sex === sex.value)
}

/** The values typed, as readings of a check-in. */
function readingsOf(checkIn: CheckIn, now: string): NewReading[] {
  const { testerId, caliperId, tapeId, scaleId } = checkIn
  const reading = (
    kind: NewReading['kind'],
    site: SiteId | null,
    { value, unit, text }: Typed,
  ): NewReading => ({
    ...{ id: newId(), checkInId: checkIn.id, kind, site, value, trial: 1, supersedes: null },
    ...{ typedUnit: unit, typedText: text, takenAt: now, testerId },
    standard: kind === 'skinfold' ? standard.value : null,
    instrumentId: { skinfold: caliperId, girth: tapeId, mass: scaleId, height: null }[kind],
  })
  const { mass, height } = fields.value
  return [
    ...measured.value.map(({ site }) =>
      reading(isSkinfold(site) ? 'skinfold' : 'girth', site, fields.value[site]!.typed!),
    ),
    ...(mass?.typed ? [reading('mass', null, mass.typed)] : []),
    ...(height?.typed ? [reading('height', null, height.typed)] : []),
  ]
}
async function keep(clientId: string) {
  const now = new Date().toISOString()
  const start = {
    ...{ id: newId(), clientId, protocolId: set.value!.id, measuredOn: isoDateOf(new Date()) },
    ...{ startedAt: now, fromPaper: true },
  }
  const girths = measured.value.map(({ site }) => site).filter((site) => !isSkinfold(site))
  const checkIn = await submit(async () => {
    const made = await callApi(checkIns.start, { body: start })
    const params = { id: made.id }
    await callApi(checkIns.change, {
      params,
      body: {
        ...{ revision: made.revision, conversion: conversion.value },
        extraGirths: Object.fromEntries(girths.map((girth) => [girth, true])),
      },
    })
    await callApi(checkIns.addReadings, { params, body: { readings: readingsOf(made, now) } })
    return made
  })
  if (checkIn) await navigateTo(`/check-in/${checkIn.id}`)
}
</script>

<template>
  <main class="mx-auto max-w-6xl px-4 py-6 sm:px-6">
    <InTurn>
      <ReferenceNav />
    </InTurn>
    <h1 class="pt-4 text-[40px]">Quick estimate</h1>
    <p class="pb-4 text-lg">Without a client. Nothing is kept unless you ask.</p>
    <div class="grid gap-x-12 gap-y-6 lg:grid-cols-2">
      <div class="space-y-4">
        <InTurn>
          <div class="flex flex-wrap gap-x-8 gap-y-3">
            <ChoiceRow v-model="sex" label="Sex used by the equations" :options="SEX_CHOICES" />
            <ChoiceRow
              v-model="conversion"
              label="Density to fat % by"
              :options="CONVERSION_CHOICES"
            />
          </div>
        </InTurn>
        <div class="grid grid-cols-3 gap-3">
          <TextField
            id="age"
            v-model="texts.age"
            label="Age"
            :error="fields.age?.problem"
            inputmode="numeric"
          />
          <TextField
            id="height"
            v-model="texts.height"
            label="Height"
            :error="fields.height?.problem"
            placeholder="5'10&quot;"
          />
          <TextField
            id="mass"
            v-model="texts.mass"
            :label="`Mass, ${massUnit}`"
            :error="fields.mass?.problem"
            inputmode="decimal"
          />
        </div>
        <InTurn>
          <ChoiceRow
            v-model="standard"
            label="Landmark standard of the folds"
            compact
            :options="standards"
          />
        </InTurn>
        <InTurn>
          <fieldset>
            <legend class="border-b-2 border-ink pb-1 text-xl font-bold">Folds, mm</legend>
            <div class="grid grid-cols-2 gap-x-4 gap-y-2 pt-2 sm:grid-cols-3">
              <NumberFields :model-value="texts" :fields="siteFields(folds)" />
            </div>
          </fieldset>
        </InTurn>
        <InTurn>
          <FoldOut :title="`Girths, ${lengthUnit}`">
            <div class="grid grid-cols-2 gap-x-4 gap-y-2 sm:grid-cols-3">
              <NumberFields :model-value="texts" :fields="siteFields(GIRTH_IDS)" />
            </div>
          </FoldOut>
        </InTurn>
      </div>
      <section aria-live="polite" class="lg:sticky lg:top-4 lg:self-start">
        <h2 class="border-b-2 border-ink pb-1 text-xl">Every equation at once</h2>
        <p v-if="results.length === 0" class="pt-2 text-lg text-faded">{{ nothing }}</p>
        <EveryEquation v-else :results />
        <div v-if="measured.length" class="pt-4">
          <button v-if="set" type="button" class="button" @click="askWhose">
            Keep it as a check-in…
          </button>
          <p v-else class="text-faded">
            No set holds all these folds; to keep them, make one in
            <NuxtLink to="/settings" class="underline">Settings</NuxtLink>.
          </p>
        </div>
      </section>
    </div>
    <AskDialog title="Whose check-in?" :open="keeping" @close="keeping = false">
      <ul>
        <li v-for="client in clients" :key="client.id" class="border-b border-line">
          <button type="button" class="min-h-11 w-full text-left text-lg" @click="keep(client.id)">
            {{ client.name }}
          </button>
        </li>
      </ul>
      <p v-if="clients.length === 0" class="pb-3">No client of that sex yet.</p>
      <AlertLine :text="trouble" />
      <button type="button" class="button mt-3" @click="keeping = false">Keep nothing</button>
    </AskDialog>
  </main>
</template>

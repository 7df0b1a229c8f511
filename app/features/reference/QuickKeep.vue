<script setup lang="ts">
import { v4 as newId } from 'uuid'
import {
  isoDateOf,
  isSkinfold,
  MOST_TRIALS,
  PROTOCOLS,
  techniqueOf,
  type OwnProtocol,
  type Sex,
  type SiteId,
  type BoneId,
  type SkinfoldId,
  type Typed,
  usualRules,
  kindOfSite,
  isBone,
  isGirth,
  standardWithin,
} from '#core'
import type { CheckIn, NewReading } from '#shared/contract/check-ins'
import { instrumentFor } from '~/features/check-in/stamp'
import { checkIns, clients as clientRoutes, gym as gymRoutes } from '~/contract'

/** Keeps the estimate as a check-in of a client, only when asked. */
const { sex, standard, standardOf, conversion, fields, measured } = useQuickEstimate()

const keeping = ref(false)
const clients = ref<{ id: string; name: string; sex: Sex }[]>([])
const { trouble, submit } = useSubmit()

const folds = computed(() => measured.value.map(({ site }) => site).filter(isSkinfold))
/** Folds of one landmark standard can stand in one check-in. */
const keepable = computed(() =>
  folds.value.every((site) => standardOf(site) === standardWithin(site, standard.value)),
)
const bones = computed(() => measured.value.map(({ site }) => site).filter(isBone))
const hasAll = (of: readonly SkinfoldId[], ofBones: readonly BoneId[]) =>
  folds.value.every((site) => of.includes(site)) &&
  bones.value.every((site) => ofBones.includes(site))

async function askWhose() {
  keeping.value = true
  const found = await submit(() => callApi(clientRoutes.list, {}))
  clients.value = (found?.entries ?? [])
    .map(({ client }) => client)
    .filter((c) => c.sex === sex.value)
}

/** A set that holds the folds and bones: a named one, one of the gym's own, or one made for them. */
async function protocolFor(): Promise<string> {
  const named = PROTOCOLS.find(
    (p) => p.standard === standard.value && hasAll(p.folds[sex.value], p.bones[sex.value]),
  )
  if (named) return named.id
  const { ownProtocols } = await callApi(gymRoutes.view, {})
  // One with its own way at a fold is another place.
  const own = ownProtocols.find(
    (p) =>
      p.standard === standard.value &&
      hasAll(p.folds, p.bones ?? []) &&
      folds.value.every((site) => techniqueOf(p, site) === null),
  )
  if (own) return own.id
  const typed = Math.max(...folds.value.map((site) => fields.value[site]!.trials!.length), 1)
  const count = Math.min(typed, MOST_TRIALS)
  const usual = usualRules(standard.value)
  const made: OwnProtocol = {
    id: `own-quick-${newId().slice(0, 8)}`,
    name: t('quick.quickEstimateCountFolds', { count: folds.value.length }),
    ...{ standard: standard.value, folds: folds.value, girths: [] },
    ...(bones.value.length > 0 ? { bones: bones.value } : {}),
    ...usual,
    foldTrials: { ...usual.foldTrials, count, most: Math.min(count + 1, MOST_TRIALS) },
  }
  await callApi(gymRoutes.keepProtocol, { body: made })
  return made.id
}

/** The values typed, as readings of a check-in. */
function readingsOf(checkIn: CheckIn, now: string): NewReading[] {
  const { testerId } = checkIn
  const reading = (
    kind: NewReading['kind'],
    site: SiteId | null,
    { value, unit, text }: Typed,
    trial = 1,
  ): NewReading => ({
    ...{ id: newId(), checkInId: checkIn.id, kind, site, value, trial, supersedes: null },
    ...{ typedUnit: unit, typedText: text, takenAt: now, testerId },
    standard: kind === 'skinfold' ? standardOf(site as SkinfoldId) : null,
    technique: null,
    ...{ instrumentId: instrumentFor(kind, checkIn), correctedBy: null, sentBy: null },
  })
  const { mass, height } = fields.value
  return [
    ...measured.value.flatMap(({ site }) =>
      fields.value[site]!.trials!.map((typed, i) => reading(kindOfSite(site), site, typed, i + 1)),
    ),
    ...(mass?.trials ?? []).map((typed) => reading('mass', null, typed)),
    ...(height?.trials ?? []).map((typed) => reading('height', null, typed)),
  ]
}

async function keep(clientId: string) {
  const now = new Date().toISOString()
  const girths = measured.value.map(({ site }) => site).filter(isGirth)
  const checkIn = await submit(async () => {
    const made = await callApi(checkIns.start, {
      body: {
        ...{ id: newId(), clientId, protocolId: await protocolFor() },
        ...{ measuredOn: isoDateOf(new Date()), startedAt: now, fromPaper: true },
      },
    })
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
  <button v-if="keepable" type="button" class="button" @click="askWhose">
    {{ t('quick.saveAsCheck') }}
  </button>
  <p v-else class="max-w-md text-faded">
    {{ t('quick.foldsTwoLandmarkStandardsCannot') }}
  </p>
  <AskDialog :title="t('quick.whoseCheck')" :open="keeping" @close="keeping = false">
    <ul>
      <li v-for="client in clients" :key="client.id" class="border-b border-line">
        <button type="button" class="min-h-11 w-full text-left text-lg" @click="keep(client.id)">
          {{ client.name }}
        </button>
      </li>
    </ul>
    <p v-if="clients.length === 0" class="pb-3">{{ t('quick.noClientSexYet') }}</p>
    <AlertLine :text="trouble" />
    <button type="button" class="button mt-3" @click="keeping = false">
      {{ t('common.cancel') }}
    </button>
  </AskDialog>
</template>

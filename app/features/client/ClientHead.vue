<script setup lang="ts">
import { isoDateOf, type TypedUnit } from '#core'
import type { Client } from '#shared/contract/clients'

/** Who it is, and the pages about them. */
const props = defineProps<{ client: Client }>()

const route = useRoute()
const facts = computed(() => {
  const { sex, heightCm, heightUnit, cadenceDays } = props.client
  const height =
    heightCm === null ? [] : [formatAsTyped(heightCm, (heightUnit ?? 'cm') as TypedUnit)]
  const age = ageText(props.client, isoDateOf(new Date()))
  return [sexText(sex), age, ...height, t('client.everyDays', { count: cadenceDays })].join(' · ')
})
const pages = computed(() =>
  [
    ['', t('client.checkIns')],
    ['/curves', t('client.curves')],
    ['/body-map', t('client.bodyMap')],
    ['/profile', t('client.profile')],
    ['/weigh-ins', t('client.weighIns')],
    ['/photos', t('client.photos')],
    ['/plan', t('client.plan')],
    ['/reports', t('client.reports')],
    ['/notes', t('client.notes')],
    ['/share', t('client.share')],
  ].map(([path, label]) => ({
    to: { path: `/clients/${props.client.id}${path}`, query: route.query },
    label: label!,
  })),
)
</script>

<template>
  <header class="pb-3">
    <div class="flex flex-wrap items-end justify-between gap-x-6 gap-y-2">
      <div>
        <p class="text-faded">{{ facts }}</p>
        <h1 class="text-[30px]">{{ client.name }}</h1>
      </div>
      <slot />
    </div>
    <SubNav :label="t('client.aboutThisClient')" :pages />
  </header>
</template>

<script setup lang="ts">
import { headlineOf, lookAtRecord, recordBySelf, selfGirthsOn } from '#core'
import type { ClientRecord } from '#shared/contract/record'

/** What a client took of themselves: a series of its own, judged as another tester's, and never mixed with the coach's. */
const props = defineProps<{ view: ClientRecord; today: string; alone: boolean }>()

const mass = useMassUnit()
const length = useLengthUnit()
const units = computed(() => ({ mass: mass.value, length: length.value, today: props.today }))
const look = computed(() => lookAtRecord(recordBySelf(props.view)))
const headline = computed(
  () => look.value && headlineOf(look.value, { spacingDays: props.view.client.cadenceDays }),
)
const days = computed(() => [...new Set(props.view.selfGirths.map(({ date }) => date))])
const lengthOf = (cm: number | undefined) =>
  cm === undefined ? '–' : formatLength(cm, length.value)
const rows = computed(() => {
  const { selfGirths } = props.view
  const [first, last] = [days.value[0]!, days.value.at(-1)!].map((day) =>
    selfGirthsOn(selfGirths, day),
  )
  const girths = [...new Set(selfGirths.map(({ girth }) => girth))]
  const changes = look.value?.horizons.first?.changes
  return girths.map((girth) => {
    const change = changes?.[girth]
    return {
      last: lengthOf(last!.get(girth)),
      ...{ girth, name: nameOf(girth), first: lengthOf(first!.get(girth)) },
      change: change ? `${signedQuantity(girth, change.change, units.value)} ${length.value}` : '',
      verdict: change ? verdictWords(change.verdict) : '',
    }
  })
})
</script>

<template>
  <section class="pt-6" data-test="self-measured">
    <h2 class="border-b-2 border-ink pb-1 text-xl">
      {{ t('record.selfMeasured', { count: days.length, since: formatDate(days[0]!, true) }) }}
    </h2>
    <p
      v-if="headline"
      class="figure pt-2"
      :class="alone ? 'text-[30px] sm:text-[38px]' : 'text-2xl'"
    >
      {{ headlineText(headline, units) }}
    </p>
    <ul class="pt-2">
      <li
        v-for="row in rows"
        :key="row.girth"
        class="flex flex-wrap items-baseline gap-x-4 border-b border-line py-1"
      >
        <strong class="w-48">{{ row.name }}</strong>
        <span class="figure text-lg">{{
          t('record.fromTo', { from: row.first, to: row.last })
        }}</span>
        <span>{{ row.change }} {{ row.verdict }}</span>
      </li>
    </ul>
    <NuxtLink :to="`/clients/${view.client.id}/reports`" class="link">{{
      t('record.weeklyReports')
    }}</NuxtLink>
  </section>
</template>

<script setup lang="ts">
import {
  daysBetween,
  differencesBetween,
  type Horizon,
  type Look,
  type Measured,
  type RecordQuantity,
  type ShownUnits,
} from '#core'

/** What changed between any two check-ins as the whole record has it, and beside it what the two read by themselves. */
const props = defineProps<{
  look: Look
  units: ShownUnits
  then: Measured
  now: Measured
  /** The horizon that the two are, where they are one: it says how sure it is. */
  horizon?: Horizon
  /** What the sum that is followed is called, with its folds where they are not the whole. */
  sumName?: string
}>()

const dates = computed(() => ({ then: props.then.measuredOn, now: props.now.measuredOn }))
const span = computed(() => {
  const { then, now } = dates.value
  return t('record.betweenDates', {
    from: formatDate(then, true),
    to: formatDate(now, true),
    span: spanText(daysBetween(then, now) / 7),
  })
})
/** What else differs between the two. */
const differs = computed(() => differencesBetween(props.then, props.now))
const ORDER: RecordQuantity[] = ['fat', 'lean', 'mass', 'sum', 'equationSum']
const rows = computed(() => {
  const course = props.look.course('chosen')
  const at = (on: string) => course.find(({ date }) => date === on)
  const [then, now] = [at(dates.value.then), at(dates.value.now)]
  if (!then || !now) return []
  const names = [...new Set([...ORDER, ...(Object.keys(now.line) as RecordQuantity[])])]
  return names.flatMap((quantity) => {
    const [a, b] = [then.line[quantity], now.line[quantity]]
    if (!a || !b) return []
    const show = (value: number) => signedQuantity(quantity, value, props.units)
    const [low, high] = b.interval
    const judged = props.horizon && props.look.horizons[props.horizon]?.changes[quantity]
    return [
      {
        ...{ quantity, title: (quantity === 'sum' && props.sumName) || quantityTitle(quantity) },
        unit: unitOfQuantity(quantity, props.units),
        ...{ change: show(b.change), low: show(low), high: show(high) },
        read: show(b.read - a.read),
        sure:
          judged && props.horizon !== 'last'
            ? `${shapeOf(judged)} ${verdictWords(judged.verdict)}`
            : beyondText(low > 0 || high < 0),
      },
    ]
  })
})
</script>

<template>
  <section data-test="between">
    <p class="text-faded">{{ span }}</p>
    <ul v-if="differs.length" class="pt-1 text-faded">
      <li v-for="words in differs" :key="tell(words)">{{ tell(words) }}</li>
    </ul>
    <ScrollTable
      v-if="rows.length"
      :label="t('record.whatChangedBetweenTwoDates')"
      :caption="t('record.whatChangedBetweenTwoDates2')"
      class="mt-2 w-full max-w-4xl"
      data-test="verdicts"
    >
      <TableHead
        :columns="[t('record.wholeRecord'), t('record.range95'), t('record.asRead')]"
        last=""
        wide
      />
      <tbody>
        <tr v-for="row in rows" :key="row.quantity" class="border-b border-line">
          <th scope="row" class="max-w-72 py-1 pr-3">{{ row.title }}</th>
          <td class="figure pl-6 text-right text-[24px] whitespace-nowrap">
            {{ row.change }} {{ row.unit }}
          </td>
          <td class="figure pl-6 text-right text-[19px] whitespace-nowrap text-faded">
            {{ t('record.lowHigh', { low: row.low, high: row.high }) }}
          </td>
          <td class="figure pl-6 text-right text-[19px] whitespace-nowrap text-faded">
            {{ row.read }}
          </td>
          <td class="pl-6 whitespace-nowrap" :data-test="`${row.quantity}-verdict`">
            {{ row.sure }}
          </td>
        </tr>
      </tbody>
    </ScrollTable>
    <p v-else class="pt-1">
      {{ t('record.theseTwoCheckInsNothing') }}
    </p>
  </section>
</template>

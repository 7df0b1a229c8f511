<script setup lang="ts">
import {
  adviceOn,
  doubtSaid,
  paceSinceLast,
  type Headline,
  type Horizon,
  type IsoDate,
  type Look,
  type RecordQuantity,
  type ShownUnits,
} from '#core'
import type { ClientRecord } from '#shared/contract/record'
import type { PhaseBegan } from './useLook'

/** What the whole record says: the headline, each horizon in one line, and what coaches usually do about it. */
const props = defineProps<{
  look: Look
  headline: Headline
  units: ShownUnits
  today: IsoDate
  phaseBegan: PhaseBegan
  /** Instruments out of tolerance that the verdict stands on. */
  doubts: ClientRecord['doubts']
  /** The horizon that the coach chose; that of the headline where none was. */
  chosen?: Horizon
}>()
const emit = defineEmits<{ choose: [horizon: Horizon] }>()

const TITLES = computed(() => ({
  first: t('record.sinceFirst'),
  phase: props.phaseBegan === 'plan' ? t('record.sincePlan') : t('record.sinceMark'),
  last: t('record.sinceLastTime'),
}))

/** The row that the headline speaks of: a phase that is the whole record has none of its own. */
const spokenOf = computed(() => {
  const { phase, first } = props.look.horizons
  const { horizon } = props.headline
  return horizon === 'phase' && phase?.since === first?.since ? 'first' : horizon
})
const current = computed(() => props.chosen ?? spokenOf.value)

const pace = computed(() => paceSinceLast(props.look))

/** One row a horizon; the phase has its own where it is not the whole record. */
const rows = computed(() =>
  (['first', 'phase', 'last'] as const).flatMap((horizon) => {
    const { first, [horizon]: judged } = props.look.horizons
    if (!judged || judged.weeks === 0 || (horizon === 'phase' && judged.since === first?.since)) {
      return []
    }
    return [
      {
        ...{ horizon, title: TITLES.value[horizon], since: judged.since },
        span: spanText(judged.weeks),
        changes: leadingOf(Object.keys(judged.changes) as RecordQuantity[]).map((quantity) => {
          const change = judged.changes[quantity]!
          const unit = unitOfQuantity(quantity, props.units)
          return {
            ...{ quantity, name: quantityLabel(quantity) },
            amount: `${signedQuantity(quantity, change.change, props.units)} ${unit}`,
            clear: change.verdict === 'clear',
            // Since last time no odds are asked.
            verdict: horizon === 'last' ? '' : verdictWords(change.verdict),
          }
        }),
        pace: horizon === 'last' ? pace.value : undefined,
      },
    ]
  }),
)

const advice = computed(() => adviceOn(props.headline))
</script>

<template>
  <section data-test="record">
    <ul>
      <li v-for="row in rows" :key="row.horizon" class="border-b border-line">
        <button
          type="button"
          class="grid gap-x-4 py-2 text-left sm:grid-cols-[8.5rem_1fr]"
          :class="
            row.horizon === current
              ? '-ml-4 w-[calc(100%+1rem)] border-l-4 border-l-oak bg-board pl-3'
              : 'w-full'
          "
          :aria-pressed="row.horizon === current"
          :data-test="`since-${row.horizon}`"
          @click="emit('choose', row.horizon)"
        >
          <strong>{{ row.title }}</strong>
          <span>
            <span class="text-faded">{{
              t('record.spanSince', { span: row.span, day: formatDate(row.since, true) })
            }}</span>
            <template v-for="(change, i) in row.changes" :key="change.quantity">
              {{ i ? ' · ' : ' ' }}{{ change.name }}
              <component :is="change.clear ? 'strong' : 'span'" class="whitespace-nowrap">{{
                change.amount
              }}</component><template v-if="change.verdict">, {{ change.verdict }}</template>
            </template>
            <template v-if="row.pace"> · {{ t(`record.pace.${row.pace}`) }}</template>
          </span>
        </button>
      </li>
    </ul>
    <p class="pt-2 text-faded">
      <NuxtLink to="/reference/judging" class="link">{{ t('record.whyWeSaySo') }}</NuxtLink>
    </p>
    <p v-for="doubt in doubts" :key="doubt.name" class="mt-3 caution" data-test="doubt">
      {{ tell(doubtSaid(doubt.name, doubt)) }}
      <NuxtLink to="/equipment" class="underline">{{ t('equipment.equipment') }}</NuxtLink>
    </p>
    <div class="space-y-2 pt-3" data-test="advice">
      <p v-for="(suggestion, i) in advice.next" :key="tell(suggestion.what)">
        <strong v-if="i === 0">{{ t('record.whatCoachesUsuallyDo') }} </strong>
        {{ tell(suggestion.what) }} <span class="text-faded">{{ tell(suggestion.why) }}</span>
        <span v-if="suggestion.caution" class="mt-1 block caution">{{
          tell(suggestion.caution)
        }}</span>
      </p>
      <p v-if="headline.readableFrom" data-test="next">
        <template v-if="headline.readableFrom > today">
          <strong>{{
            t('record.measureAgainFrom', { day: formatDate(headline.readableFrom, true) })
          }}</strong>
          {{ t('record.clearByThen') }}
        </template>
        <template v-else>
          <strong>{{ t('record.measureAgainNow') }}</strong>
          {{ t('record.clearByNow') }}
        </template>
      </p>
    </div>
  </section>
</template>

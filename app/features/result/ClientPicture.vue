<script setup lang="ts">
import { comparedWith, foldSumOf, followedFolds, resultOf, sheetOf, isGirth } from '#core'
import type { ResultProps } from './result-props'

/** One calm picture for the client, in words that a coach can show. */
const props = defineProps<ResultProps>()

const massUnit = useMassUnit()
const lengthUnit = useLengthUnit()

const sheet = computed(() => sheetOf(props.client, props.checkIn))
const result = computed(() => {
  const found = resultOf(props.client, props.checkIn)
  return found.ok ? found.value : undefined
})

const before = computed(() => comparedWith(props.client, props.checkIn, props.earlier))
const first = computed(() =>
  comparedWith(props.client, props.checkIn, [...props.earlier].reverse()),
)
/** The visits compared, at most three, oldest first. */
const visits = computed(() => {
  const all = [first.value, before.value, props.checkIn].filter((c) => c !== undefined)
  return [...new Map(all.map((c) => [c.id, c])).values()].map((checkIn) => ({
    checkIn,
    sheet: sheetOf(props.client, checkIn),
  }))
})
/** The folds that are compared: all of the set, or those that the visits have in common. */
const followed = computed(() => followedFolds(visits.value.map((visit) => visit.sheet)))
const bars = computed(() =>
  visits.value.flatMap(({ checkIn: { id, measuredOn }, sheet: then }) => {
    const value = followed.value && foldSumOf(then, followed.value.folds)?.mm
    return value === undefined ? [] : [{ on: measuredOn, value, now: id === props.checkIn.id }]
  }),
)
const widest = computed(() => Math.max(...bars.value.map(({ value }) => value)))

const { look, headline } = useResultLook(props, () => props.client.showPercentages)
/** Since when the record speaks, and what it says of the sum: the client's words are those of the coach. */
const spoken = computed(() => {
  const horizon = headline.value?.horizon === 'first' ? 'first' : 'phase'
  const judged = look.value?.horizons[horizon]
  const start = props.earlier.find(({ measuredOn }) => measuredOn === judged?.since)
  if (!judged || !start) return undefined
  return {
    since: { on: start.measuredOn, sheet: sheetOf(props.client, start) },
    sum: judged.changes.sum,
  }
})

const sentence = computed(() => {
  const sum = foldSumOf(sheet.value)
  if (!sum) return ''
  const total = { count: sum.folds.length, mm: fixed(sum.mm, 0) }
  const { since, sum: judged } = spoken.value ?? {}
  const then = since && foldSumOf(since.sheet, followed.value?.folds)
  const now = followed.value && foldSumOf(sheet.value, followed.value.folds)
  if (!then || !now || !judged) return t('result.start', total)
  const on = formatDate(since.on)
  const change = now.mm - then.mm
  const by = fixed(Math.abs(change), 0)
  const key = `${now.folds.length < sum.folds.length ? 'shared' : 'whole'}.${
    judged.verdict === 'no-change' ? 'same' : change < 0 ? 'less' : 'more'
  }` as const
  const words = t(`result.sum.${key}`, { ...total, shared: now.folds.length, by, on })
  return judged.verdict === 'not-yet' ? `${words} ${t('result.notYetBeyondError')}` : words
})

const girths = computed(() =>
  sheet.value.measured
    .filter(({ site }) => isGirth(site))
    .map(({ site, value }) => ({
      name: siteNameIn(sheet.value.protocol, site),
      value: formatLength(value, lengthUnit.value),
    })),
)
const parts = computed(() => {
  if (!props.client.showPercentages || result.value?.fatMassKg === undefined) return undefined
  const { fatMassKg, leanMassKg, fatPercent, standardError } = result.value
  return {
    fat: formatMass(fatMassKg, massUnit.value),
    lean: formatMass(leanMassKg!, massUnit.value),
    about:
      standardError === null
        ? t('result.fatPart', { fatPercent: fixed(fatPercent, 0) })
        : t('result.fatPartError', {
            fatPercent: fixed(fatPercent, 0),
            error: fixed(standardError, 1),
          }),
    share: fatPercent,
  }
})
</script>

<template>
  <section class="max-w-3xl" data-test="client-picture">
    <p class="text-faded">{{ client.name }} · {{ formatDate(checkIn.measuredOn, true) }}</p>
    <h2 class="pt-1 pb-5 text-[36px] sm:text-[48px]">
      {{ sentence || t('result.measured') }}
    </h2>
    <div v-if="bars.length" class="space-y-2 pb-8">
      <p v-if="followed && !followed.whole && bars.length > 1" class="text-faded">
        {{
          foldSumName(
            followed.folds.map(({ site }) => site),
            false,
          )
        }}
      </p>
      <div v-for="bar in bars" :key="bar.on" class="flex items-center gap-3">
        <span class="w-24 text-right" :class="{ 'font-bold': bar.now }">
          {{ bar.now ? t('result.now') : formatDate(bar.on) }}
        </span>
        <span
          class="block h-9 rounded-sm"
          :class="bar.now ? 'bg-oak' : 'border-2 border-oak bg-board'"
          :style="{ width: `${(bar.value / widest) * 60}%` }"
        />
        <span class="figure text-[26px]">{{ fixed(bar.value, 0) }} mm</span>
      </div>
    </div>
    <div v-if="parts" class="pb-8">
      <div class="flex h-14 overflow-hidden rounded-sm" aria-hidden="true">
        <span class="block bg-leaf" :style="{ width: `${100 - parts.share}%` }" />
        <span class="stripes block bg-amber" :style="{ width: `${parts.share}%` }" />
      </div>
      <div class="flex flex-wrap justify-between gap-x-6 pt-2">
        <p>
          <span class="figure text-[30px] text-leaf">{{ parts.lean }}</span>
          {{ t('result.leanMuscleBoneWaterOrgans') }}
        </p>
        <p>
          <span class="figure text-[30px] text-amber">{{ parts.fat }}</span>
          {{ parts.about }}
        </p>
      </div>
    </div>
    <FigureList v-if="girths.length" :lines="girths" large class="pb-6" />
    <p class="text-lg text-faded">
      {{ t('result.theseEstimatesWhatCountsDirection') }}
      <template v-if="parts">{{ t('result.giveOrTakeTwoPeople') }}</template>
    </p>
  </section>
</template>

<style scoped>
.stripes {
  background-image: repeating-linear-gradient(
    -45deg,
    transparent 0 8px,
    rgb(255 255 255 / 25%) 8px 12px
  );
}
</style>

<script setup lang="ts">
import {
  fixed,
  formatDate,
  massIn,
  nextMeasuring,
  sentenceOf,
  signed,
  situationOf,
  type Judgement,
  type MassUnit,
} from '#core'

/** What changed between two check-ins, in a sentence, with what coaches usually do next. */
const props = defineProps<{
  judgement: Judgement
  unit: MassUnit
  /** False where the client sees sums and girths only. */
  percentages: boolean
  massKg: number | undefined
  /** Planned change of fat a week, kg. */
  fatPaceKg?: number
}>()

const sentence = computed(() => {
  const situation = situationOf(props.judgement)
  // Who sees sums and girths only reads nothing of fat and lean either.
  return sentenceOf(props.percentages ? situation : { ...situation, fat: 'absent', lean: 'absent' })
})
const span = computed(() => {
  const { since, until, weeks } = props.judgement
  return `${formatDate(since, true)} to ${formatDate(until, true)}, ${spanText(weeks)}`
})
const swing = computed(() => {
  const { recomposition } = props.judgement.quantities
  if (sentence.value.rule.id !== 'net-swing' || !recomposition) return ''
  return `Net swing ${signed(massIn(recomposition.change, props.unit), 1)} ${props.unit}: fat lost plus lean gained.`
})
const next = computed(() => nextMeasuring(props.judgement, props.massKg, props.fatPaceKg))
const nextWords = computed(() => {
  if (!next.value) return ''
  const { days, by, pace, minimalDetectableChange } = next.value
  const inFat = by === 'fatMass'
  if (inFat && !props.percentages) return `It is worth measuring again after about ${days} days.`
  const [unit, show] = inFat
    ? [props.unit, (v: number) => fixed(massIn(v, props.unit), 1)]
    : ['mm', (v: number) => fixed(v, 0)]
  const what = inFat ? 'of fat' : 'of the sum'
  return `It is worth measuring again after about ${days} days: at ${show(pace)} ${unit} ${what} a week, that is when more has changed than the ${show(minimalDetectableChange)} ${unit} this hand can tell.`
})
</script>

<template>
  <section>
    <p class="text-faded">Between the two dates marked above: {{ span }}</p>
    <h3 class="figure pt-1 text-[26px] leading-tight" data-test="verdict">
      {{ sentence.heading }}
    </h3>
    <p v-if="swing" class="text-lg font-bold">{{ swing }}</p>
    <ul v-if="sentence.also.length" class="text-lg">
      <li v-for="rule in sentence.also" :key="rule.id">
        Also: {{ rule.says(situationOf(judgement)) }}
      </li>
    </ul>
    <ul v-if="judgement.differs.length" class="pt-1 text-faded">
      <li v-for="words in judgement.differs" :key="words">{{ words }}</li>
    </ul>
    <FoldOut title="What coaches usually do next" class="pt-2">
      <ul class="max-w-3xl space-y-2 pb-2">
        <template v-for="rule in [sentence.rule, ...sentence.also]" :key="rule.id">
          <li v-for="suggestion in rule.next" :key="suggestion.what">
            <strong>{{ suggestion.what }}</strong> {{ suggestion.why }}
            <span v-if="suggestion.caution" class="block border-l-4 border-clay pl-3">
              {{ suggestion.caution }}
            </span>
          </li>
        </template>
      </ul>
    </FoldOut>
    <p v-if="nextWords" class="max-w-3xl" data-test="next">{{ nextWords }}</p>
  </section>
</template>

<script setup lang="ts">
import {
  formatDate,
  headlineOf,
  headlineText,
  massIn,
  signed,
  type JudgedChange,
  type Look,
  type MassUnit,
  type RecordQuantity,
} from '#core'

/** What the whole record says at its newest check-in: the headline, and each horizon in one line. */
const props = defineProps<{
  look: Look
  unit: MassUnit
  /** Usual days between check-ins. */
  cadenceDays: number
}>()

const headline = computed(() => headlineOf(props.look, { spacingDays: props.cadenceDays }))
const words = computed(() => headlineText(headline.value, { mass: props.unit }))

const NAMES: Record<RecordQuantity, string> = {
  ...{ fat: 'fat', lean: 'lean', mass: 'body mass', sum: 'sum of folds' },
}
const VERDICTS: Record<JudgedChange['verdict'], string> = {
  ...{ clear: 'clear', likely: 'likely' },
  ...{ 'no-change': 'no change that matters', 'not-yet': 'not yet clear' },
}
const amountOf = (quantity: RecordQuantity, { change }: JudgedChange) =>
  quantity === 'sum'
    ? `${signed(change, 0)} mm`
    : `${signed(massIn(change, props.unit), 1)} ${props.unit}`

const TITLES = {
  first: 'Since the first',
  phase: 'Since the plan',
  last: 'Since last time',
} as const

/** The row that the headline speaks of: a phase that is the whole record has none of its own. */
const spokenOf = computed(() => {
  const { phase, first } = props.look.horizons
  const { horizon } = headline.value
  return horizon === 'phase' && phase?.since === first?.since ? 'first' : horizon
})

/** One row a horizon; the phase has its own where it is not the whole record. */
const rows = computed(() =>
  (['first', 'phase', 'last'] as const).flatMap((horizon) => {
    const { first, [horizon]: judged } = props.look.horizons
    if (!judged || judged.weeks === 0 || (horizon === 'phase' && judged.since === first?.since)) {
      return []
    }
    const { fat, lean, mass, sum } = judged.changes
    const shown: [RecordQuantity, JudgedChange | undefined][] = fat
      ? [
          ['fat', fat],
          ['lean', lean],
          ['mass', mass],
        ]
      : [['sum', sum]]
    return [
      {
        ...{ horizon, title: TITLES[horizon], since: judged.since, span: spanText(judged.weeks) },
        changes: shown.flatMap(([quantity, change]) =>
          change
            ? [
                {
                  ...{ quantity, name: NAMES[quantity], amount: amountOf(quantity, change) },
                  clear: change.verdict === 'clear',
                  // Since last time no odds are asked: only whether it is small is said.
                  verdict: horizon === 'last' ? '' : VERDICTS[change.verdict],
                },
              ]
            : [],
        ),
      },
    ]
  }),
)
</script>

<template>
  <section data-test="record">
    <h2 class="figure text-[34px] leading-tight sm:text-[44px]" data-test="headline">
      {{ words }}
    </h2>
    <dl class="max-w-3xl pt-2">
      <div
        v-for="row in rows"
        :key="row.horizon"
        class="grid gap-x-4 border-b border-line py-2 sm:grid-cols-[9.5rem_1fr]"
        :class="row.horizon === spokenOf && '-ml-4 border-l-4 border-l-oak bg-board pl-3'"
        :data-test="`since-${row.horizon}`"
      >
        <dt class="font-bold">{{ row.title }}</dt>
        <dd>
          <span class="text-faded">{{ row.span }}, from {{ formatDate(row.since, true) }}:</span>
          <template v-for="(change, i) in row.changes" :key="change.quantity">
            {{ i ? ' · ' : ' ' }}{{ change.name }}
            <component :is="change.clear ? 'strong' : 'span'" class="whitespace-nowrap">{{
              change.amount
            }}</component><template v-if="change.verdict">, {{ change.verdict }}</template>
          </template>
        </dd>
      </div>
    </dl>
  </section>
</template>

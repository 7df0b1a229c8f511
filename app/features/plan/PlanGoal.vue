<script setup lang="ts">
import { fixed, formatMass, massIn, nameOf, namesOf, sumPerKgOfFat, weeksOut } from '#core'

/** What is wished for, by when, and the body that it leads to. */
const draft = usePlanDraft()
const { kinds, kind, texts, goalUnit, girths, girth, occasion, peakWeek, targets, shown } = draft
const { today, start, startsOn, goal, problems, findings, wished } = draft
/** The sum that the goal is of, as it is now. */
const goalSum = computed(() =>
  kind.value === 'sum' || kind.value === 'equationSum' ? start.value?.[kind.value] : undefined,
)
const massUnit = useMassUnit()
const mass = (kg: number) => formatMass(kg, massUnit.value)
const LABELS = { loseMass: 'How much to lose', gainLean: 'How much lean to gain' } as const
const label = computed(
  () => `${LABELS[kind.value as keyof typeof LABELS] ?? 'Goal'}, ${goalUnit.value}`,
)
const OCCASIONS = [
  { value: 'day', name: 'a day' },
  { value: 'stage', name: 'on stage' },
  { value: 'weigh-in', name: 'a weigh-in' },
] as const
const out = computed(() =>
  goal.value.date && goal.value.date > startsOn.value
    ? weeksOut(startsOn.value, goal.value.date)
    : undefined,
)
/** What stands against it is said in full farther down. */
const against = computed(() => {
  const outcomes = wished.value ? findings.value.map(({ outcome }) => outcome) : []
  if (outcomes.includes('refused')) return 'Not planned here: why, and what is, stands below.'
  return outcomes.includes('hold') ? 'On hold: what it waits for stands below.' : ''
})
const rows = computed(() =>
  targets.value?.ok && kind.value !== 'holdLean' && shown.value
    ? [
        {
          name: kind.value === 'gainLean' ? 'fat held' : 'lean held',
          body: targets.value.value.aim,
        },
        {
          name: kind.value === 'gainLean' ? 'with the usual fat' : 'with the usual lean change',
          body: targets.value.value.withForbes,
        },
      ]
    : [],
)
</script>

<template>
  <section class="space-y-4">
    <h2 class="border-b-2 border-ink pb-1 text-xl">Goal</h2>
    <ChoiceRow v-model="kind" label="Kind of goal" hide-label compact even :options="kinds" />
    <div class="flex flex-wrap items-start gap-3">
      <TextField
        v-if="kind !== 'holdLean'"
        id="goal"
        v-model="texts.goal"
        resting
        :label
        :aria-invalid="problems.goal ? true : undefined"
        aria-describedby="goal-trouble"
        inputmode="decimal"
        class="max-w-32"
      />
      <FieldRow v-if="kind === 'girth'" id="girth" label="Which girth">
        <select id="girth" v-model="girth" class="field w-auto!">
          <option v-for="g in girths" :key="g" :value="g">{{ nameOf(g) }}</option>
        </select>
      </FieldRow>
      <MassUnitChoice class="pt-7" />
    </div>
    <p v-if="goalSum" class="text-faded" data-test="goal-sum">
      now {{ fixed(goalSum.mm, 1) }} mm: {{ namesOf(goalSum.folds) }}
    </p>
    <div class="flex flex-wrap items-start gap-x-6 gap-y-3">
      <TextField
        id="goal-date"
        v-model="texts.date"
        resting
        label="Target date (optional)"
        type="date"
        :min="today"
        :aria-invalid="problems.date ? true : undefined"
        aria-describedby="goal-trouble"
      />
      <ChoiceRow
        v-if="texts.date"
        v-model="occasion"
        label="That day is"
        compact
        :options="[...OCCASIONS]"
      />
      <p v-if="out !== undefined" class="figure pt-7 text-[26px]" data-test="weeks-out">
        {{ out }} {{ out === 1 ? 'week' : 'weeks' }} out
      </p>
    </div>
    <TickBox v-if="texts.date" v-model="peakWeek">
      Keep the last week before the day for rest
    </TickBox>
    <p id="goal-trouble" role="alert" class="min-h-12 font-bold text-clay">
      {{ problems.goal ?? problems.date ?? against }}
    </p>
    <div class="min-h-28">
      <table v-if="rows.length" class="w-full border-collapse text-left" data-test="targets">
        <caption class="sr-only">
          The body that the goal leads to
        </caption>
        <TableHead :columns="['weight', 'fat', 'lean']" />
        <tbody>
          <tr v-for="row in rows" :key="row.name" class="border-b border-line">
            <th scope="row" class="py-1 font-normal">{{ row.name }}</th>
            <td class="figure text-right text-[24px] whitespace-nowrap">
              {{ mass(row.body.massKg) }}
            </td>
            <td class="figure text-right text-[20px]">
              {{ fixed(massIn(row.body.fatKg, massUnit), 1) }}
            </td>
            <td class="figure text-right text-[20px]">
              {{ fixed(massIn(row.body.leanKg, massUnit), 1) }}
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p v-if="rows.length" class="text-faded">
      The first line is the target: protein and strength training are for that. The second is the
      Forbes relation, from women at rest: it expects too much of lean people who train.
      <template v-if="kind === 'girth'">
        A girth is turned into fat by 1 cm a kilogram (judgement): follow the number itself.
      </template>
      <template v-else-if="goalSum">
        A sum of {{ goalSum.folds.length }} folds is turned into fat by
        {{ fixed(sumPerKgOfFat(goalSum.folds.length), 1) }} mm a kilogram (judgement): follow the
        number itself.
      </template>
    </p>
  </section>
</template>

<script setup lang="ts">
import { massIn, sumPerKgOfFat, weeksOut } from '#core'

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
const LABELS = {
  loseMass: t('planner.howMuchLose'),
  gainLean: t('planner.howMuchLeanGain'),
} as const
const label = computed(
  () => `${LABELS[kind.value as keyof typeof LABELS] ?? t('plan.goal')}, ${goalUnit.value}`,
)
const OCCASIONS = [
  { value: 'day', name: t('plan.day') },
  { value: 'stage', name: t('planner.stage') },
  { value: 'weigh-in', name: t('planner.weigh') },
] as const
const out = computed(() =>
  goal.value.date && goal.value.date > startsOn.value
    ? weeksOut(startsOn.value, goal.value.date)
    : undefined,
)
/** What stands against it is said in full farther down. */
const against = computed(() => {
  const outcomes = wished.value ? findings.value.map(({ outcome }) => outcome) : []
  if (outcomes.includes('refused')) return t('planner.notPlannedHereWhyWhat')
  return outcomes.includes('hold') ? t('planner.holdWhatWaitsStandsBelow') : ''
})
const rows = computed(() =>
  targets.value?.ok && kind.value !== 'holdLean' && shown.value
    ? [
        {
          name: kind.value === 'gainLean' ? t('planner.fatHeld') : t('planner.leanHeld'),
          body: targets.value.value.aim,
        },
        {
          name: kind.value === 'gainLean' ? t('planner.usualFat') : t('planner.usualLeanChange'),
          body: targets.value.value.withForbes,
        },
      ]
    : [],
)
</script>

<template>
  <section class="space-y-4">
    <h2 class="border-b-2 border-ink pb-1 text-xl">{{ t('plan.goal') }}</h2>
    <ChoiceRow
      v-model="kind"
      :label="t('planner.kindGoal')"
      hide-label
      compact
      even
      :options="kinds"
    />
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
      <FieldRow v-if="kind === 'girth'" id="girth" :label="t('planner.whichGirth')">
        <select id="girth" v-model="girth" class="field w-auto!">
          <option v-for="g in girths" :key="g" :value="g">{{ nameOf(g) }}</option>
        </select>
      </FieldRow>
      <MassUnitChoice class="pt-7" />
    </div>
    <p v-if="goalSum" class="text-faded" data-test="goal-sum">
      {{ t('planner.nowMmMmFolds', { mm: fixed(goalSum.mm, 1), folds: namesOf(goalSum.folds) }) }}
    </p>
    <div class="flex flex-wrap items-start gap-x-6 gap-y-3">
      <TextField
        id="goal-date"
        v-model="texts.date"
        resting
        :label="t('planner.targetDateOptional')"
        type="date"
        :min="today"
        :aria-invalid="problems.date ? true : undefined"
        aria-describedby="goal-trouble"
      />
      <ChoiceRow
        v-if="texts.date"
        v-model="occasion"
        :label="t('planner.day2')"
        compact
        :options="[...OCCASIONS]"
      />
      <p v-if="out !== undefined" class="figure pt-7 text-[26px]" data-test="weeks-out">
        {{ t('plan.weeksOut', { count: out }) }}
      </p>
    </div>
    <TickBox v-if="texts.date" v-model="peakWeek">
      {{ t('planner.keepLastWeekBeforeDay') }}
    </TickBox>
    <p id="goal-trouble" role="alert" class="min-h-12 font-bold text-clay">
      {{ problems.goal ?? problems.date ?? against }}
    </p>
    <div class="min-h-28">
      <table v-if="rows.length" class="w-full border-collapse text-left" data-test="targets">
        <caption class="sr-only">
          {{
            t('planner.bodyGoalLeads')
          }}
        </caption>
        <TableHead
          :columns="[t('planner.columnWeight'), t('planner.columnFat'), t('planner.columnLean')]"
        />
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
      {{ t('planner.firstLineTargetProteinStrength') }}
      <template v-if="kind === 'girth'">
        {{ t('planner.girthTurnedIntoFat1') }}
      </template>
      <template v-else-if="goalSum">
        {{
          t('planner.sumCountFoldsTurnedInto', {
            count: goalSum.folds.length,
            length: fixed(sumPerKgOfFat(goalSum.folds.length), 1),
          })
        }}
      </template>
    </p>
  </section>
</template>

<script setup lang="ts">
import { massIn, fixed, formatMass, nameOf, namesOf, sumPerKgOfFat } from '#core'

/** What is wished for, and the body that it leads to. */
const draft = usePlanDraft()
const { kinds, kind, goalText, goalUnit, girths, girth, date, peakWeek, targets, shown } = draft
const { today, start } = draft
/** The sum that the goal is of, as it is now. */
const goalSum = computed(() =>
  kind.value === 'sum' || kind.value === 'equationSum' ? start.value?.[kind.value] : undefined,
)
const massUnit = useMassUnit()
const mass = (kg: number) => formatMass(kg, massUnit.value)
</script>

<template>
  <section class="space-y-4">
    <h2 class="border-b-2 border-ink pb-1 text-xl">Where to</h2>
    <ChoiceRow v-model="kind" label="Goal" compact :options="kinds" />
    <div class="flex flex-wrap items-end gap-3">
      <FieldRow v-if="kind !== 'holdLean'" id="goal" :label="`Goal, ${goalUnit}`">
        <input id="goal" v-model="goalText" class="field max-w-32" inputmode="decimal" />
      </FieldRow>
      <p v-if="goalSum" class="pb-2 text-faded" data-test="goal-sum">
        now {{ fixed(goalSum.mm, 1) }} mm: {{ namesOf(goalSum.folds) }}
      </p>
      <FieldRow v-if="kind === 'girth'" id="girth" label="Which girth">
        <select id="girth" v-model="girth" class="field w-auto!">
          <option v-for="g in girths" :key="g" :value="g">{{ nameOf(g) }}</option>
        </select>
      </FieldRow>
      <TextField
        id="goal-date"
        v-model="date"
        label="By (if there is a day)"
        type="date"
        :min="today"
      />
      <MassUnitChoice />
    </div>
    <TickBox v-if="date" v-model="peakWeek">Keep the last week before the day for rest</TickBox>
    <p v-if="targets && !targets.ok" role="alert" class="font-bold text-clay">
      {{ targets.error.message }}
    </p>
    <table
      v-else-if="targets?.ok && kind !== 'holdLean' && shown"
      class="w-full border-collapse text-left"
      data-test="targets"
    >
      <caption class="sr-only">
        The body that the goal leads to
      </caption>
      <TableHead :columns="['body mass', 'fat', 'lean']" />
      <tbody>
        <tr
          v-for="row in [
            { name: 'lean held', body: targets.value.constantLean },
            { name: 'with the usual lean change', body: targets.value.withForbes },
          ]"
          :key="row.name"
          class="border-b border-line"
        >
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
    <p v-if="targets?.ok && shown" class="text-faded">
      The usual lean change is the Forbes relation, from women at rest: it expects too much lean
      loss of lean people who train.
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

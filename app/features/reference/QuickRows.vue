<script setup lang="ts">
import { CONVERSIONS } from '#core'
import type { QuickRow } from './useQuickEstimate'

/** What equations give, one a line: fat % by the conversions side by side, fat and lean mass. */
defineProps<{ rows: QuickRow[]; label: string }>()

const massUnit = useMassUnit()
const { conversion, shownConversions } = useQuickEstimate()
const columns = computed(() => [
  ...shownConversions.value.map((id) => tell(CONVERSIONS[id].name)),
  'fat',
  'lean',
])
const mass = (kg: number | undefined) => (kg === undefined ? '–' : formatMass(kg, massUnit.value))
</script>

<template>
  <ScrollTable :label :caption="label" class="w-full" data-test="every">
    <TableHead :columns />
    <tbody>
      <tr
        v-for="{ result, by, madeOn } in rows"
        :key="result.equation.id"
        class="border-b border-line align-baseline"
      >
        <th scope="row" class="py-1.5 pr-2 font-normal">
          <NuxtLink
            :to="`/reference/equations/${result.equation.id}`"
            class="underline decoration-line underline-offset-4"
            >{{ tell(result.equation.name) }}</NuxtLink
          >
          <span class="block text-faded">{{ madeOn }}</span>
          <span
            v-for="warning in result.estimate.warnings"
            :key="tell(warning)"
            class="block text-clay"
          >
            {{ tell(warning) }}
          </span>
        </th>
        <td
          v-for="one in by"
          :key="one.conversion"
          class="figure pl-3 text-right text-[21px] whitespace-nowrap"
          :class="{ 'text-faded': conversion !== one.conversion }"
        >
          {{ fixed(one.fat, 1) }}%
        </td>
        <td
          v-if="by.length === 0"
          class="figure pl-3 text-center text-[21px] whitespace-nowrap"
          :colspan="shownConversions.length"
        >
          {{ fixed(result.estimate.fatPercent, 1) }}%
        </td>
        <td class="figure pl-3 text-right text-[19px] whitespace-nowrap">
          {{ mass(result.estimate.fatMassKg) }}
        </td>
        <td class="figure pl-3 text-right text-[19px] whitespace-nowrap">
          {{ mass(result.estimate.leanMassKg) }}
        </td>
      </tr>
    </tbody>
  </ScrollTable>
</template>

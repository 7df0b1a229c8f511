<script setup lang="ts">
import type { QuickRow } from './useQuickEstimate'

/** What equations give, one a line: fat % by both conversions, fat and lean mass. */
defineProps<{ rows: QuickRow[]; label: string }>()

const massUnit = useMassUnit()
const { conversion } = useQuickEstimate()
const mass = (kg: number | undefined) => (kg === undefined ? '–' : formatMass(kg, massUnit.value))
</script>

<template>
  <ScrollTable :label :caption="label" class="w-full" data-test="every">
    <TableHead :columns="[t('quick.siri'), t('quick.broEk'), 'fat', 'lean']" />
    <tbody>
      <tr
        v-for="{ result, siri, brozek, madeOn } in rows"
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
        <template v-if="brozek !== undefined">
          <td
            class="figure pl-3 text-right text-[21px] whitespace-nowrap"
            :class="{ 'text-faded': conversion !== 'siri' }"
          >
            {{ fixed(siri, 1) }}%
          </td>
          <td
            class="figure pl-3 text-right text-[21px] whitespace-nowrap"
            :class="{ 'text-faded': conversion !== 'brozek' }"
          >
            {{ fixed(brozek, 1) }}%
          </td>
        </template>
        <td v-else class="figure pl-3 text-center text-[21px] whitespace-nowrap" colspan="2">
          {{ fixed(siri, 1) }}%
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

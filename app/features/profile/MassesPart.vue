<script setup lang="ts">
import { Z95, type FivePart, type FourPart, type MatiegkaPart, type MeasuredFractions } from '#core'

type Part = FourPart | FivePart | MatiegkaPart

/** Masses of the body's parts by one school, with their sum beside what the scale says. */
const props = defineProps<{
  name: string
  fractions:
    MeasuredFractions<FourPart> | MeasuredFractions<FivePart> | MeasuredFractions<MatiegkaPart>
  massKg: number
}>()
const massUnit = useMassUnit()

/** Beyond it the measures are looked at again, percent. Common practice, no source. */
const MUCH = 5
const NAMES: Record<Part, string> = {
  skin: t('profile.skin'),
  adipose: t('profile.adipose'),
  fat: t('profile.fatPart'),
  skinFat: t('profile.skinFat'),
  muscle: t('profile.muscle'),
  bone: t('profile.bone'),
  rest: t('profile.rest'),
}
const rows = computed(() => {
  const { parts, errors } = props.fractions as MeasuredFractions<Part>
  return (Object.keys(parts) as Part[]).map((part) => ({
    ...{ part, kg: parts[part], reach: Z95 * errors[part] },
    share: (100 * parts[part]) / props.fractions.sum,
  }))
})
</script>

<template>
  <div>
    <h3 class="pb-1 text-xl">{{ name }}</h3>
    <ScrollTable class="w-full max-w-md" :label="name" :caption="name">
      <tbody>
        <tr v-for="{ part, kg, reach, share } in rows" :key="part" class="border-b border-line">
          <th scope="row" class="py-1.5 pr-3 font-normal">{{ NAMES[part] }}</th>
          <td class="w-24">
            <div class="h-2 bg-leaf" :style="{ width: `${Math.min(100, share * 1.6)}%` }"></div>
          </td>
          <td class="figure text-right text-[21px] whitespace-nowrap">
            {{ formatMass(kg, massUnit) }}
            <span class="text-base text-faded">± {{ formatMass(reach, massUnit) }}</span>
          </td>
        </tr>
        <tr class="border-b border-line font-bold">
          <th scope="row" class="py-1.5 pr-3">{{ t('profile.sumOfParts') }}</th>
          <td></td>
          <td class="figure text-right text-[21px]">{{ formatMass(fractions.sum, massUnit) }}</td>
        </tr>
        <tr class="border-b border-line">
          <th scope="row" class="py-1.5 pr-3 font-normal">{{ t('profile.scaleSays') }}</th>
          <td></td>
          <td class="figure text-right text-[21px]">{{ formatMass(massKg, massUnit) }}</td>
        </tr>
      </tbody>
    </ScrollTable>
    <p class="pt-1" :class="Math.abs(fractions.offPercent) > MUCH ? 'text-clay' : 'text-faded'">
      {{
        t('profile.offBy', {
          off: formatMass(Math.abs(fractions.off), massUnit),
          percent: signed(fractions.offPercent, 1),
        })
      }}
      <template v-if="Math.abs(fractions.offPercent) > MUCH">{{ t('profile.offMuch') }}</template>
    </p>
  </div>
</template>

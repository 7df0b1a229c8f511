<script setup lang="ts">
import {
  equationSumName,
  fixed,
  foldSumName,
  massIn,
  signed,
  type Judgement,
  type MassUnit,
  type Verdict,
} from '#core'

/** Every quantity's change with its interval, what the hand can tell, and how sure it is. */
const props = defineProps<{ judgement: Judgement; unit: MassUnit; percentages: boolean }>()

interface Row {
  id: string
  label: string
  unit: string
  verdict: Verdict | undefined
  scale: (value: number) => number
  /** Not for a client who sees sums and girths only. */
  level?: boolean
}

const rows = computed(() => {
  const { quantities: q, sumFolds, sumIsWhole, equationFolds } = props.judgement
  const part = equationFolds.length < sumFolds.length
  const mass = (kg: number) => massIn(kg, props.unit)
  const same = (value: number) => value
  const all: Row[] = [
    {
      id: 'sum',
      label: foldSumName(sumFolds, sumIsWhole),
      unit: 'mm',
      verdict: q.sum,
      scale: same,
    },
    {
      id: 'equationSum',
      label: equationSumName(equationFolds.length),
      unit: 'mm',
      verdict: part ? q.equationSum : undefined,
      scale: same,
      level: true,
    },
    {
      id: 'fatPercent',
      label: 'Fat %',
      unit: 'points',
      verdict: q.fatPercent,
      scale: same,
      level: true,
    },
    {
      id: 'fatMass',
      label: 'Fat mass',
      unit: props.unit,
      verdict: q.fatMass,
      scale: mass,
      level: true,
    },
    {
      id: 'leanMass',
      label: 'Lean mass',
      unit: props.unit,
      verdict: q.leanMass,
      scale: mass,
      level: true,
    },
    {
      id: 'recomposition',
      label: 'Net swing',
      unit: props.unit,
      verdict: q.recomposition,
      scale: mass,
      level: true,
    },
    { id: 'mass', label: 'Body mass', unit: props.unit, verdict: q.mass, scale: mass },
  ]
  return all.flatMap(({ verdict, level, ...row }) =>
    verdict && (props.percentages || !level) ? [{ ...row, verdict }] : [],
  )
})
</script>

<template>
  <ScrollTable
    label="What changed and how sure"
    caption="What changed, with its interval and how sure it is"
    class="w-full max-w-4xl"
    data-test="verdicts"
  >
    <TableHead :columns="['change', '95% range', 'detectable from']" last="verdict" wide />
    <tbody>
      <tr v-for="row in rows" :key="row.id" class="border-b border-line">
        <th scope="row" class="max-w-72 py-1 pr-3">{{ row.label }}</th>
        <td class="figure pl-6 text-right text-[24px] whitespace-nowrap">
          {{ signed(row.scale(row.verdict.change), 1) }} {{ row.unit }}
        </td>
        <td class="figure pl-6 text-right text-[19px] whitespace-nowrap text-faded">
          {{ signed(row.scale(row.verdict.interval[0]), 1) }} to
          {{ signed(row.scale(row.verdict.interval[1]), 1) }}
        </td>
        <td class="figure pl-6 text-right text-[19px] text-faded">
          {{ fixed(row.scale(row.verdict.minimalDetectableChange), 1) }}
        </td>
        <td class="pl-6" :data-test="`${row.id}-verdict`">
          <VerdictMark :verdict="row.verdict" />
        </td>
      </tr>
    </tbody>
  </ScrollTable>
</template>

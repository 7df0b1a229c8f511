<script setup lang="ts">
import { unrounded, type Step } from '#core'

/** The working of an estimate, step by step and unrounded. */
defineProps<{ steps: Step[] }>()
</script>

<template>
  <ScrollTable
    :label="t('common.working')"
    :columns="[t('common.workingStep'), t('common.workingHow'), t('common.workingValue')]"
    class="mt-2"
  >
    <tbody>
      <tr v-for="step in steps" :key="tell(step.label)" class="border-b border-line align-top">
        <th scope="row" class="py-1.5 pr-4 font-bold">{{ tell(step.label) }}</th>
        <td class="py-1.5 pr-4 tabular-nums">{{ tell(step.formula) }}</td>
        <td class="py-1.5 text-right tabular-nums">{{ unrounded(step.value) }} {{ step.unit }}</td>
      </tr>
    </tbody>
  </ScrollTable>
</template>

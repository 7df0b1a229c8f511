<script lang="ts">
export interface LedgerCell {
  text: string
  /** Trials behind the value, in the order they were taken. */
  trials: string
  /** What was corrected: values that others took the place of. */
  superseded: string[]
}

/** A column of the sheet in words. */
export interface LedgerColumn {
  index: number
  id: string
  day: string
  year: string
  longDate: string
  /** Its part in the comparison. */
  role?: 'then' | 'now'
  /** Why there is no estimate. */
  gap?: string
  /** In the order of the lines. */
  cells: LedgerCell[]
}
</script>

<script setup lang="ts">
/** A row of one block of columns: drawn once, and left alone while other blocks come and go. */
defineProps<{
  columns: LedgerColumn[]
  row: number
  width: number
  /** The column whose cell the Tab key comes to, if it is one of these. */
  tabbed?: number
}>()
</script>

<template>
  <td
    v-for="{ id, index, gap, role, cells } in columns"
    :key="id"
    role="gridcell"
    class="figure shrink-0 py-0.5 pr-3 text-right text-[20px]"
    :class="role ? 'bg-board text-ink' : 'text-faded'"
    :style="{ width: `${width}px` }"
    :aria-colindex="index + 2"
    :data-cell="`${row},${index}`"
    :tabindex="index === tabbed ? 0 : -1"
    :title="gap"
  >
    {{ cells[row]!.text }}
    <span v-if="cells[row]!.trials" class="block text-[14px] leading-tight text-faded">{{
      cells[row]!.trials
    }}</span>
    <s
      v-for="(old, i) in cells[row]!.superseded"
      :key="i"
      class="block text-[14px] leading-tight text-clay"
      >{{ old }}</s
    >
  </td>
</template>

<script setup lang="ts">
import { LABEL_WIDTH } from './useLedgerWindow'

/** The first box of a row, which stays while the columns move under it, and the room of the columns that are not drawn. */
defineOptions({ inheritAttrs: false })
defineProps<{ before: { width: string } }>()

const style = { width: `${LABEL_WIDTH}px` }
</script>

<template>
  <th
    class="sticky left-0 z-10 flex shrink-0 items-center bg-chalk text-left leading-tight"
    v-bind="$attrs"
    :style
  >
    <slot />
  </th>
  <td role="presentation" class="shrink-0" :style="before" />
</template>

<script setup lang="ts">
/**
 * The head of a table of figures: names of the columns over them, and over the words at the end of the lines. The
 * figures below stand as far from one another: pl-3, or pl-6 where it is wide.
 */
defineProps<{ columns: string[]; last?: string; wide?: boolean }>()
</script>

<template>
  <thead>
    <tr class="border-b-2 border-ink text-faded">
      <td class="py-1" />
      <th
        v-for="column in columns"
        :key="column"
        scope="col"
        class="text-right font-normal whitespace-nowrap"
        :class="wide ? 'pl-6' : 'pl-3'"
      >
        {{ column }}
      </th>
      <th v-if="last" scope="col" class="pl-6 font-normal">{{ last }}</th>
    </tr>
  </thead>
</template>

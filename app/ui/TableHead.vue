<script setup lang="ts">
/** The head of a table of figures: names of the columns over them, and over the words at the end of the lines. */
defineProps<{ columns: string[]; last?: string }>()
</script>

<template>
  <thead>
    <tr class="border-b-2 border-ink text-faded">
      <td class="py-1" />
      <th
        v-for="column in columns"
        :key="column"
        scope="col"
        class="pl-3 text-right font-normal whitespace-nowrap"
      >
        {{ column }}
      </th>
      <th v-if="last" scope="col" class="pl-6 font-normal">{{ last }}</th>
    </tr>
  </thead>
</template>

<script setup lang="ts">
import type { ImportLeft } from '#shared/contract/imports'

/** What an import left out, with the reasons as they were told then. */
const { left } = defineProps<{ left: readonly ImportLeft[] }>()
const more = useMore(() => left)
const placeOf = ({ sheet, row, column }: ImportLeft) =>
  [row > 0 ? t('records.row', { row }) : '', sheet, column ?? ''].filter(Boolean).join(' · ')
</script>

<template>
  <ul>
    <li v-for="(one, i) in more.shown.value" :key="i" class="border-b border-line py-1.5">
      <span class="font-bold">{{ placeOf(one) }}</span> {{ one.reason }}
    </li>
  </ul>
  <MoreButton :more />
</template>

<script setup lang="ts">
import { EXPORT_FORMATS, type ExportFormat } from '#shared/contract/choices'

/** The formats that records are handed out in, and what each is good for. */
defineProps<{ title: string; hrefOf: (as: ExportFormat) => string }>()
</script>

<template>
  <div data-test="export">
    <p>{{ title }}</p>
    <ul>
      <li
        v-for="as in EXPORT_FORMATS"
        :key="as"
        class="flex flex-wrap items-baseline gap-x-4 border-b border-line py-1"
      >
        <a
          :href="hrefOf(as)"
          download
          class="link inline-flex min-h-11 w-40 items-center font-bold"
        >
          {{ t(`records.formats.${as}`) }}
        </a>
        <span class="min-w-52 flex-1">{{ t(`records.formatHints.${as}`) }}</span>
      </li>
    </ul>
  </div>
</template>

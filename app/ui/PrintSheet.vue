<script setup lang="ts">
/** One sheet of paper: to print, or to save as a file. */
const { back, backWords } = defineProps<{
  /** Where it was opened from. */
  back: string
  backWords: string
}>()
const print = () => window.print()
</script>

<template>
  <main class="mx-auto max-w-[180mm] bg-white px-6 py-6 print:p-0" data-test="sheet">
    <nav class="flex flex-wrap gap-3 pb-5 print:hidden">
      <button type="button" class="button button-lead" @click="print">
        {{ t('planSheet.printOrSaveAsFile') }}
      </button>
      <NuxtLink :to="back" class="button">{{ backWords }}</NuxtLink>
    </nav>
    <slot />
  </main>
</template>

<style>
@page {
  margin: 14mm;
}
</style>

<script setup lang="ts">
/** A page of Reference: its name in the browser's list of pages, the way to the others, its heading. */
const { title } = defineProps<{ title: string }>()
usePageTitle(() => title)
</script>

<template>
  <main class="mx-auto px-4 py-6 sm:px-6">
    <ReferenceNav />
    <h1 class="pt-4 text-[40px]">{{ title }}</h1>
    <slot />
  </main>
</template>

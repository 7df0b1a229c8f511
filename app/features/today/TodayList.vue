<script setup lang="ts">
/** A list of Today under its name, and the way to what is not shown of it. */
defineProps<{
  title: string
  /** How many there are beyond those shown, and where they are. */
  more: number
  moreTo: string
}>()
</script>

<template>
  <section class="pb-5">
    <h2 class="border-b-2 border-ink pb-1 text-xl">{{ title }}</h2>
    <ul>
      <slot />
    </ul>
    <p v-if="more > 0">
      <NuxtLink :to="moreTo" class="link">{{ t('today.moreMore', { more }) }}</NuxtLink>
    </p>
  </section>
</template>

<script setup lang="ts">
/** What went wrong, in one line; nothing where nothing did. */
defineProps<{ text?: string }>()
</script>

<template>
  <p v-if="text" role="alert" class="pt-3 font-bold text-clay">{{ text }}</p>
</template>

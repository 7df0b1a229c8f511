<script setup lang="ts">
/** A word with its key: beside a keyboard in a line of text, for a thumb a button. It leaves the focus in the field. */
defineProps<{ letter: string }>()
</script>

<template>
  <button type="button" class="touch font-bold" @mousedown.prevent>
    <kbd class="key">{{ letter }}</kbd> <slot />
  </button>
</template>

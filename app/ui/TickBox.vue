<script setup lang="ts">
/** A box to tick with its words beside it. */
const model = defineModel<boolean>()
</script>

<template>
  <label class="flex min-h-11 items-center gap-3">
    <input v-model="model" type="checkbox" class="size-5 shrink-0 accent-leaf" />
    <span><slot /></span>
  </label>
</template>

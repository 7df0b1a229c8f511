<script setup lang="ts">
/** An input whose text the page takes when the hand rests. */
const model = defineModel<string>({ default: '' })
const { text, type, stir } = useResting(model)
</script>

<template>
  <input
    :value="text"
    class="field"
    autocomplete="off"
    @focus="stir"
    @pointerdown="stir"
    @input="type(($event.target as HTMLInputElement).value)"
  />
</template>

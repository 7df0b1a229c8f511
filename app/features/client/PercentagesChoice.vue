<script setup lang="ts">
/** Says that a client sees sums and girths only, and shows the rest when the coach asks for it. */
defineProps<{ name: string }>()
const asked = defineModel<boolean>({ required: true })
</script>

<template>
  <p>
    {{ name.split(' ')[0] }} sees sums and girths only.
    <button type="button" class="button ml-2" :aria-pressed="asked" @click="asked = !asked">
      {{ asked ? 'Hide percentages again' : 'Show percentages to the coach' }}
    </button>
  </p>
</template>

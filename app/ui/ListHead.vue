<script setup lang="ts">
/** The head of a list that grows by its button. */
defineProps<{ name: string; add?: string; to?: string }>()
const emit = defineEmits<{ add: [] }>()
</script>

<template>
  <h2 class="flex items-end justify-between border-b-2 border-ink pb-1 text-2xl">
    {{ name }}
    <button type="button" class="button font-text text-base" @click="emit('add')">
      {{ add ?? t('common.add') }}<span v-if="to" class="sr-only">{{ ` ${to}` }}</span>
    </button>
  </h2>
</template>

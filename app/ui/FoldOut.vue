<script setup lang="ts">
/** What is shown when it is asked for, under a heading that is always there. */
defineProps<{ title?: string; open?: boolean }>()
const emit = defineEmits<{ opened: [] }>()
const onToggle = (event: Event) => {
  if ((event.target as HTMLDetailsElement).open) emit('opened')
}
</script>

<template>
  <details :open @toggle="onToggle">
    <summary class="min-h-11 cursor-pointer py-2 text-lg font-bold">
      <slot name="title">{{ title }}</slot>
    </summary>
    <slot />
  </details>
</template>

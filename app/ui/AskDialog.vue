<script setup lang="ts">
/** A question over the page. What it is made of is loaded when the page is at rest, and made when it opens. */
defineProps<{ title: string; open: boolean }>()
const emit = defineEmits<{ close: [] }>()

const load = () => import('./AskPanel.vue')
const AskPanel = defineAsyncComponent(load)
onMounted(() => whenIdle(load))
</script>

<template>
  <AskPanel v-if="open" :title @close="emit('close')">
    <slot />
  </AskPanel>
</template>

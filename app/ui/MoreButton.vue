<script setup lang="ts">
import type { More } from './useMore'

/** Draws more of a long list. */
defineProps<{ more: More }>()
</script>

<template>
  <button v-if="more.left.value > 0" type="button" class="button" @click="more.grow">
    {{ t('common.showMore', { count: more.left.value }) }}
  </button>
</template>

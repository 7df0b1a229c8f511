<script setup lang="ts">
import { DETAILS, OUTLINE, SILHOUETTE } from './outline'

/** The drawn body itself, for whatever is shown on it. */
defineProps<{ view: 'front' | 'back' }>()
</script>

<template>
  <g fill="none" stroke-linecap="round" stroke-linejoin="round">
    <path :d="SILHOUETTE" class="fill-board" />
    <g class="stroke-faded" stroke-width="1.6">
      <path v-for="path in OUTLINE" :key="path" :d="path" />
    </g>
    <g class="stroke-faded" stroke-width="1.1" opacity="0.75">
      <path v-for="path in DETAILS[view]" :key="path" :d="path" />
    </g>
  </g>
</template>

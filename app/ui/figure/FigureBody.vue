<script setup lang="ts">
import { plainFigure, type Build, type FigureView } from './outline'

/** The drawn body itself, for whatever is shown on it. */
const { build, view } = defineProps<{ view: FigureView; build: Build }>()
const figure = computed(() => plainFigure(build, view))
</script>

<template>
  <g fill="none" stroke-linecap="round" stroke-linejoin="round">
    <template v-for="part in figure.parts" :key="part.shape">
      <path :d="part.shape" class="fill-board" />
      <path
        v-for="path in part.outline"
        :key="path"
        :d="path"
        class="stroke-faded"
        stroke-width="1.6"
      />
    </template>
    <g class="stroke-faded" stroke-width="1" opacity="0.75">
      <path v-for="path in figure.details" :key="path" :d="path" />
    </g>
  </g>
</template>

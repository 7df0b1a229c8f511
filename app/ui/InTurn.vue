<script setup lang="ts">
import { insideWaking, partInTurn } from './turns'

/**
 * A part of a page that comes alive by itself, so that a slow phone answers in between: when a hand comes to the page,
 * or unasked where it has something to do of itself, such as a chart that is drawn. What changes meanwhile is shown
 * when it wakes, and nothing in it may ask for data: that belongs to the page.
 */
const { unasked = false } = defineProps<{ unasked?: boolean }>()

// Only what the server has drawn is woken: a page that is come to from another one is made alive.
const { isHydrating, payload } = useNuxtApp()
const drawn = import.meta.client && ((isHydrating && payload.serverRendered) || insideWaking())

const news = ref(0)
let late = false
const part = drawn ? partInTurn(unasked, () => late && news.value++) : undefined
onBeforeUpdate(() => (late = !!part?.isAsleep()))
/** One and the same while it sleeps, so that what the server has drawn stays; never the same once it is awake. */
const rest = () => (part!.isAsleep() ? news.value : {})
</script>

<template>
  <component :is="part.component" v-if="part" v-memo="[rest()]"><slot /></component>
  <slot v-else />
</template>

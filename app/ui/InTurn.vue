<script setup lang="ts">
import { TurnPart } from './turns'

/**
 * A part of a page that comes alive in a turn of its own, so that a slow phone answers in between. Nothing in it may
 * ask for data: that belongs to the page.
 */
const { server } = import.meta
</script>

<template>
  <slot v-if="server" />
  <TurnPart v-else><slot /></TurnPart>
</template>

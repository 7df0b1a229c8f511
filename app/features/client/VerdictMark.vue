<script setup lang="ts">
import type { Verdict } from '#core'

/** How sure a change is, and its sign: by shape and word, never by colour alone. */
defineProps<{ verdict: Verdict }>()
</script>

<template>
  <span class="whitespace-nowrap">
    <span aria-hidden="true" class="inline-block w-5">{{
      shapeOf({ ...verdict, verdict: VERDICT_OF[verdict.certainty] })
    }}</span>
    {{ CERTAINTY_WORDS[verdict.certainty] }}
  </span>
</template>

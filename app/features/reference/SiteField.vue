<script setup lang="ts">
import { nameOf, type SiteId } from '#core'

/** One typed fold or girth, with the words of what is wrong with it. */
defineProps<{ site: SiteId; problem?: string; where?: string }>()
const text = defineModel<string>()
</script>

<template>
  <TextField
    :id="site"
    v-model="text"
    :label="nameOf(site)"
    :error="problem"
    inputmode="decimal"
    :title="where"
  />
</template>

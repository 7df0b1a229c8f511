<script setup lang="ts">
import { nameOf, type SiteId } from '#core'

/** One typed fold or girth, with the words of what is wrong with it. */
defineProps<{ site: SiteId; problem?: string; where?: string }>()
const text = defineModel<string>()
</script>

<template>
  <FieldRow :id="site" :label="nameOf(site)" :error="problem">
    <input
      :id="site"
      v-model="text"
      class="field"
      inputmode="decimal"
      autocomplete="off"
      :title="where"
    />
  </FieldRow>
</template>

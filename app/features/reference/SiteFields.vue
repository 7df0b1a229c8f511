<script setup lang="ts">
import { nameOf, type SiteId } from '#core'

/** Typed folds or girths, each with the words of what is wrong with it. */
defineProps<{
  sites: readonly SiteId[]
  fields: Readonly<Record<string, { problem?: string }>>
  /** Where a site is, in words. */
  where?: (site: SiteId) => string | undefined
}>()
const texts = defineModel<Record<string, string>>({ required: true })
</script>

<template>
  <div class="grid grid-cols-2 gap-x-4 gap-y-2 sm:grid-cols-3">
    <TextField
      v-for="site in sites"
      :id="site"
      :key="site"
      v-model="texts[site]"
      :label="nameOf(site)"
      :error="fields[site]?.problem"
      inputmode="decimal"
      :title="where?.(site)"
    />
  </div>
</template>

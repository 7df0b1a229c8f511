<script setup lang="ts" generic="T extends SiteId">
import type { SiteId } from '#core'

/** Sites of a set, in the order they are taken in; each chip has its place on it. */
defineProps<{ label: string; sites: readonly T[] }>()
const model = defineModel<T[]>({ required: true })

const place = (site: T) => model.value.indexOf(site) + 1
function toggle(site: T) {
  model.value = place(site) ? model.value.filter((s) => s !== site) : [...model.value, site]
}
</script>

<template>
  <fieldset>
    <legend class="pb-1 font-bold">{{ label }}</legend>
    <div class="flex flex-wrap gap-1.5">
      <ChipButton v-for="site in sites" :key="site" :on="place(site) > 0" @click="toggle(site)">
        <template v-if="place(site)">{{ place(site) }}.</template>
        {{ nameOf(site) }}
      </ChipButton>
    </div>
  </fieldset>
</template>

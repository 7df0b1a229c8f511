<script setup lang="ts">
/**
 * A table that scrolls by itself where it is wider than the screen. Its caption and, where the columns have no head that
 * is seen, their names are there for those who listen.
 */
defineOptions({ inheritAttrs: false })
defineProps<{ label: string; caption?: string; columns?: string[] }>()
</script>

<template>
  <ScrollBox :label>
    <table class="border-collapse text-left" v-bind="$attrs">
      <caption v-if="caption" class="sr-only">
        {{
          caption
        }}
      </caption>
      <thead v-if="columns" class="sr-only">
        <tr>
          <th v-for="column in columns" :key="column" scope="col">{{ column }}</th>
        </tr>
      </thead>
      <slot />
    </table>
  </ScrollBox>
</template>

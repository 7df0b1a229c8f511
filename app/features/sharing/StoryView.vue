<script setup lang="ts">
import type { SharedStory } from '#shared/contract/client-side'
import { viewName } from '~/features/photos/view-name'

/** What a client sees of their record: the same to the coach who looks at it first. */
const { story, photoAddress } = defineProps<{
  story: SharedStory
  /** Where a photo is had from: by whoever looks. */
  photoAddress: (id: string) => string
}>()
const address = computed(() =>
  story.picture ? `data:image/svg+xml,${encodeURIComponent(story.picture.svg)}` : '',
)
</script>

<template>
  <article class="space-y-3" data-test="story">
    <h2 class="text-[32px] sm:text-[38px]">{{ story.head }}</h2>
    <p class="text-faded">{{ story.lead }}</p>
    <figure v-if="story.picture">
      <figcaption class="text-faded">{{ story.picture.caption }}</figcaption>
      <img :src="address" :alt="story.picture.alt" class="w-full" width="500" height="200" />
    </figure>
    <table v-if="story.rows.length" class="w-full">
      <thead>
        <tr class="border-b-2 border-ink">
          <component
            :is="column ? 'th' : 'td'"
            v-for="(column, i) in story.columns"
            :key="i"
            :scope="column ? 'col' : undefined"
            class="figure py-1"
            :class="i ? 'pl-3 text-right' : 'text-left'"
          >
            {{ column }}
          </component>
        </tr>
      </thead>
      <tbody>
        <tr v-for="cells in story.rows" :key="cells[0]" class="border-b border-line">
          <td
            v-for="(cell, i) in cells"
            :key="i"
            class="py-1"
            :class="[
              i ? 'figure pl-3 text-right text-lg' : '',
              i > 0 && i < cells.length - 1 ? 'whitespace-nowrap' : '',
            ]"
          >
            {{ cell }}
          </td>
        </tr>
      </tbody>
    </table>
    <ul v-if="story.photos.length" class="grid grid-cols-2 gap-3" data-test="story-photos">
      <li v-for="{ id, view, takenOn } in story.photos" :key="id">
        <figure>
          <img :src="photoAddress(id)" :alt="viewName(view)" class="w-full" loading="lazy" />
          <figcaption class="text-faded">
            {{ viewName(view) }}, {{ formatDate(takenOn, true) }}
          </figcaption>
        </figure>
      </li>
    </ul>
    <ul v-if="story.next.length" class="space-y-1">
      <li v-for="text in story.next" :key="text" class="border-l-4 border-leaf pl-3">{{ text }}</li>
    </ul>
    <p class="text-sm text-faded">{{ story.small }}</p>
  </article>
</template>

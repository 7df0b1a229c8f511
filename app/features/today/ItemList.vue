<script setup lang="ts">
import type { TodayItem } from '#shared/contract/today'

/** What there is to look at, or to tell: one sentence and one action each, and a way to be done with it. */
const props = defineProps<{
  title: string
  items: TodayItem[]
  /** As the frame of the list has them. */
  more: number
  moreTo: string
  busy: boolean
}>()
const emit = defineEmits<{ start: [clientId: string]; done: [item: TodayItem] }>()

const mass = useMassUnit()
const length = useLengthUnit()
const rows = computed(() =>
  props.items.map((item) => ({
    item,
    words: itemWords(item, { mass: mass.value, length: length.value }),
  })),
)
</script>

<template>
  <TodayList :title :more :more-to>
    <li
      v-for="{ item, words } in rows"
      :key="item.client.id"
      class="grid items-center gap-x-5 gap-y-1 border-b border-line py-2 sm:grid-cols-[10.5rem_1fr_auto]"
      :data-item="item.item"
    >
      <NuxtLink :to="`/clients/${item.client.id}`" class="name-link">
        {{ item.client.name }}
      </NuxtLink>
      <p>
        <strong :class="words.tone">
          <span v-if="words.mark" aria-hidden="true">{{ words.mark }}&nbsp;</span
          >{{ words.lead }}</strong
        >
        {{ words.rest }}
        <span v-if="item.inDoubt" class="text-clay" data-test="doubt">{{
          t('today.inDoubt')
        }}</span>
      </p>
      <span class="flex items-center gap-1">
        <NuxtLink v-if="words.to" :to="words.to" class="button">
          {{ words.action }}<span class="sr-only">, {{ item.client.name }}</span>
        </NuxtLink>
        <button
          v-else
          type="button"
          class="button"
          :disabled="busy"
          @click="emit('start', item.client.id)"
        >
          {{ words.action }}<span class="sr-only">, {{ item.client.name }}</span>
        </button>
        <button
          type="button"
          class="min-h-11 min-w-11 px-2 text-faded underline decoration-line underline-offset-4"
          @click="emit('done', item)"
        >
          {{ t('today.done') }}
          <span class="sr-only">{{ item.client.name }}</span>
        </button>
      </span>
    </li>
  </TodayList>
</template>

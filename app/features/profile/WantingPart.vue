<script setup lang="ts">
import { measureName, type Wanting } from '#core'

/** What a profile could say besides, and what it wants for that. */
defineProps<{ wanting: Wanting[] }>()
const named = (missing: Wanting['missing']) =>
  missing.map((id) => tell(measureName(id)).toLowerCase()).join(', ')
</script>

<template>
  <section data-test="wanting">
    <h2 class="pb-1 text-2xl">{{ t('profile.oneMore') }}</h2>
    <ul>
      <li
        v-for="{ what, missing } in wanting"
        :key="tell(what)"
        class="border-b border-line py-1.5"
      >
        <strong>{{ tell(what) }}</strong>
        <span class="block text-faded">{{ named(missing) }}</span>
      </li>
    </ul>
  </section>
</template>

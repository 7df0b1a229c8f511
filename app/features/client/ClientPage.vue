<script setup lang="ts">
import type { Client } from '#shared/contract/clients'

/** The frame of every page about a client: who it is, or why they cannot be shown. */
defineProps<{
  view: { client: Client } | undefined
  error: { message: string } | null | undefined
}>()
</script>

<template>
  <main class="mx-auto max-w-6xl px-4 py-6 sm:px-7">
    <template v-if="error || !view">
      <h1 class="pb-3 text-3xl">{{ t('client.thisClientCannotShown') }}</h1>
      <LoadTrouble :error />
    </template>
    <template v-else>
      <InTurn>
        <ClientHead :client="view.client"><slot name="act" /></ClientHead>
      </InTurn>
      <slot />
    </template>
  </main>
</template>

<script setup lang="ts">
import type { NuxtError } from '#app'

/** A page that is not there, or that failed: what it is, and the way back to work. */
const { error } = defineProps<{ error: NuxtError }>()

const missing = computed(() => error.statusCode === 404)
usePageTitle(() => t(missing.value ? 'common.noSuchPage' : 'common.pageFailed'))
</script>

<template>
  <NuxtLayout>
    <main class="mx-auto max-w-3xl px-4 py-10 sm:px-7" data-test="error-page">
      <h1 class="pb-3 text-[40px]">
        {{ missing ? t('common.noSuchPage') : t('common.pageFailed') }}
      </h1>
      <p class="pb-6 text-lg">
        {{ missing ? t('common.noSuchPageWhy') : t('common.pageFailedWhy') }}
      </p>
      <div class="flex flex-wrap gap-3">
        <button type="button" class="button button-lead" @click="clearError({ redirect: '/' })">
          {{ t('common.toToday') }}
        </button>
        <button type="button" class="button" @click="clearError({ redirect: '/clients' })">
          {{ t('common.toClients') }}
        </button>
      </div>
    </main>
  </NuxtLayout>
</template>

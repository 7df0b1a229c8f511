<script setup lang="ts">
import { gym as gymRoutes } from '~/contract'

await breathe()

usePageTitle(() => t('reference.quickEstimate'))

const { data: gym } = await useAsyncData('gym', () => callApi(gymRoutes.view, {}))
await breathe()
provideQuickEstimate(gym.value?.settings.standard ?? 'us')
</script>

<template>
  <main class="mx-auto max-w-6xl px-4 py-6 sm:px-6">
    <InTurn>
      <ReferenceNav />
    </InTurn>
    <h1 class="pt-4 text-[40px]">{{ t('reference.quickEstimate') }}</h1>
    <p class="pb-4 text-lg print:hidden">{{ t('reference.withoutClientNothingKeptUnless') }}</p>
    <div class="grid gap-x-12 gap-y-6 lg:grid-cols-2">
      <QuickInputs class="print:hidden" />
      <QuickResult class="lg:sticky lg:top-4 lg:self-start" />
    </div>
  </main>
</template>

<script setup lang="ts">
import { access } from '~/contract'

definePageMeta({ layout: false })
usePageTitle(() => t('access.trust'))

const { data: phones } = await useAsyncData('trust', () => callApi(access.phones, {}))
</script>

<template>
  <main class="mx-auto max-w-2xl space-y-4 px-4 py-8 text-lg sm:py-16">
    <p class="figure text-[26px] text-leaf">{{ t('common.oakPinch') }}</p>
    <h1 class="text-[40px]">{{ t('access.trust') }}</h1>
    <p v-if="!phones?.open">{{ t('access.trustShut') }}</p>
    <p>{{ t('access.trustWhy') }}</p>
    <h2 class="pt-2 text-2xl">{{ t('access.trustCompare') }}</h2>
    <p>{{ t('access.trustCompareHow', { title: t('access.phones') }) }}</p>
    <h2 class="pt-2 text-2xl">{{ t('access.trustGoOn') }}</h2>
    <p>{{ t('access.trustGoOnHow') }}</p>
    <h2 class="pt-2 text-2xl">{{ t('access.trustForGood') }}</h2>
    <p>{{ t('access.trustForGoodHow') }}</p>
    <template v-if="phones?.rootFingerprint">
      <p>
        <a href="/api/phones/certificate" class="button inline-flex items-center" download>{{
          t('access.trustDownload')
        }}</a>
      </p>
      <p class="text-faded">{{ t('access.trustRoot') }}</p>
      <p class="figure wrap-anywhere">{{ phones.rootFingerprint }}</p>
    </template>
    <p class="border-l-4 border-lamp pl-3">{{ t('access.trustCare') }}</p>
    <p>
      <NuxtLink to="/" class="link inline-flex min-h-11 items-center">{{
        t('common.oakPinch')
      }}</NuxtLink>
    </p>
  </main>
</template>

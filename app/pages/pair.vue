<script setup lang="ts">
import { access } from '~/contract'

definePageMeta({ layout: false })
usePageTitle(() => t('access.pairTitle'))

/** Stands behind the sign that a browser keeps to itself. */
const code = ref<string>()
onMounted(() => (code.value = location.hash.slice(1)))
const { trouble, busy, submit } = useSubmit()

async function pair() {
  const body = { code: code.value ?? '' }
  if (!(await submit(() => callApi(access.pair, { body })))) return
  // The whole page anew, and the code out of the address.
  location.replace('/')
}
</script>

<template>
  <main class="mx-auto max-w-md px-4 py-10 sm:py-20">
    <p class="figure text-[26px] text-leaf">{{ t('common.oakPinch') }}</p>
    <h1 class="pb-2 text-[40px]">{{ t('access.pairTitle') }}</h1>
    <p v-if="code === ''">{{ t('access.pairNoCode') }}</p>
    <template v-else>
      <p class="pb-6">{{ t('access.pairIntro') }}</p>
      <AlertLine :text="trouble" />
      <button
        type="button"
        class="button button-lead"
        :disabled="busy || code === undefined"
        @click="pair"
      >
        {{ t('access.pairGo') }}
      </button>
    </template>
    <p class="pt-8">
      <NuxtLink to="/trust" class="link inline-flex min-h-11 items-center">{{
        t('access.trust')
      }}</NuxtLink>
    </p>
  </main>
</template>

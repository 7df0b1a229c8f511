<script setup lang="ts">
import { access } from '~/contract'

definePageMeta({ layout: false })
usePageTitle(() => t('access.signIn'))

const route = useRoute()
const name = ref('')
const password = ref('')
const { trouble, problems, busy, submit } = useSubmit()

async function signIn() {
  const body = { name: name.value, password: password.value }
  if (!(await submit(() => callApi(access.signIn, { body })))) return
  // The whole page anew: nothing that was asked for as nobody stays.
  location.assign(pageAfterSignIn(route.query.to))
}
</script>

<template>
  <main class="mx-auto max-w-md px-4 py-10 sm:py-20">
    <p class="figure text-[26px] text-leaf">{{ t('common.oakPinch') }}</p>
    <h1 class="pb-2 text-[40px]">{{ t('access.signIn') }}</h1>
    <p class="pb-6">{{ t('access.signInIntro') }}</p>
    <form class="space-y-4" novalidate @submit.prevent="signIn">
      <TextField
        id="sign-in-name"
        v-model="name"
        :label="t('access.name')"
        :error="problems.name"
        autocomplete="username"
        autocapitalize="words"
        autofocus
      />
      <TextField
        id="sign-in-password"
        v-model="password"
        type="password"
        :label="t('access.password')"
        :error="problems.password"
        autocomplete="current-password"
      />
      <AlertLine :text="problems.name || problems.password ? '' : trouble" />
      <button type="submit" class="button button-lead" :disabled="busy">
        {{ t('access.signIn') }}
      </button>
    </form>
    <p class="pt-8 text-faded wrap-anywhere">{{ t('access.forgot') }}</p>
  </main>
</template>

<script setup lang="ts">
import type { Phones } from '#shared/contract/access'
import { access } from '~/contract'

/** The door for phones: whether it is open, where, and what phones know this computer by. */
const props = defineProps<{ start: Phones }>()
const now = ref(props.start)
const { trouble, done, busy, submit } = useSubmit()

async function change(open: boolean) {
  const said = open ? t('access.phonesNowOpen') : t('access.phonesNowShut')
  const kept = await submit(() => callApi(access.letPhonesIn, { body: { open } }), said)
  if (kept) now.value = kept
}
</script>

<template>
  <div class="space-y-4">
    <template v-if="now.open">
      <p>{{ t('access.phonesOpen') }}</p>
      <dl class="space-y-2">
        <div>
          <dt class="text-faded">{{ t('access.phonesAt', { count: now.addresses.length }) }}</dt>
          <dd
            v-for="address in now.addresses"
            :key="address"
            class="figure text-xl wrap-anywhere"
            data-test="phones-address"
          >
            {{ address }}
          </dd>
        </div>
        <div>
          <dt class="text-faded">{{ t('access.fingerprint') }}</dt>
          <dd class="figure wrap-anywhere" data-test="fingerprint">{{ now.fingerprint }}</dd>
        </div>
      </dl>
      <NuxtLink to="/trust" class="link inline-flex min-h-11 items-center">{{
        t('access.trust')
      }}</NuxtLink>
      <p>
        <button type="button" class="button" :disabled="busy" @click="change(false)">
          {{ t('access.shutPhones') }}
        </button>
      </p>
    </template>
    <template v-else>
      <p>{{ t('access.phonesShut') }}</p>
      <button type="button" class="button" :disabled="busy" @click="change(true)">
        {{ t('access.letPhonesIn') }}
      </button>
    </template>
    <p role="status" :class="{ 'sr-only': !done }">{{ done }}</p>
    <AlertLine :text="trouble" />
  </div>
</template>

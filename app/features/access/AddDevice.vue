<script setup lang="ts">
import type { Pairing } from '#shared/contract/access'
import { access } from '~/contract'

/** Lets a phone in as somebody: what it is to be called, then a code to point it at. */
const props = defineProps<{ account: { id: string; name: string } | undefined }>()
const emit = defineEmits<{ close: [] }>()

const { trouble, problems, busy, submit, clear } = useSubmit()
const device = ref('')
const pairing = ref<Pairing>()
watch(
  () => props.account,
  (account) => {
    clear()
    pairing.value = undefined
    device.value = account ? t('access.deviceOf', { name: firstName(account.name) }) : ''
  },
  { immediate: true },
)

async function offer() {
  const body = { userId: props.account!.id, device: device.value }
  pairing.value = (await submit(() => callApi(access.offerPairing, { body }))) ?? pairing.value
}
const at = computed(() => pairing.value?.addresses[0] ?? '')
</script>

<template>
  <AskForm
    :title="t('access.addDeviceTitle', { name: account?.name ?? '' })"
    :open="account !== undefined"
    :trouble="problems.device ? '' : trouble"
    :action="pairing ? t('access.newCode') : t('access.showCode')"
    :leave="pairing ? t('access.codeDone') : undefined"
    :busy
    @close="emit('close')"
    @keep="offer"
  >
    <TextField
      v-if="!pairing"
      id="device-name"
      v-model="device"
      :label="t('access.deviceName')"
      :error="problems.device"
    />
    <template v-else>
      <p>{{ t('access.scan', { time: timeText(pairing.until) }) }}</p>
      <QrCode :text="at" :label="t('access.qrCode')" class="mx-auto w-64 max-w-full" />
      <p>{{ t('access.orOpen') }}</p>
      <p
        v-for="address in pairing.addresses"
        :key="address"
        class="figure wrap-anywhere"
        data-test="pairing"
      >
        {{ address }}
      </p>
      <p v-if="at.startsWith('https:')">
        {{ t('access.willWarn') }}
        <NuxtLink to="/trust" class="link inline-flex min-h-11 items-center">{{
          t('access.whyWarn')
        }}</NuxtLink>
      </p>
    </template>
  </AskForm>
</template>

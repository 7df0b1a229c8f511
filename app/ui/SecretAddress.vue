<script setup lang="ts">
/** An address that is shown this once, to copy or to hold a camera to. */
const { address, hint } = defineProps<{ address: string; hint: string }>()
const { trouble, done, submit } = useSubmit()
const copy = () => submit(() => navigator.clipboard.writeText(address), t('common.addressCopied'))
</script>

<template>
  <div class="space-y-2 border-l-4 border-leaf pl-3" data-test="link">
    <p>{{ hint }}</p>
    <p class="figure wrap-anywhere">{{ address }}</p>
    <QrCode :text="address" :label="t('common.addressAsCode')" class="w-48 max-w-full" />
    <div class="flex flex-wrap items-center gap-4">
      <button type="button" class="button" @click="copy">{{ t('common.copyAddress') }}</button>
      <span role="status">{{ done }}</span>
    </div>
    <AlertLine :text="trouble" />
  </div>
</template>

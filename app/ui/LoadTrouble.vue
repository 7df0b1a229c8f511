<script setup lang="ts">
/** Why a page cannot be shown, and the way to ask for it once more. */
defineProps<{ error: { message: string } | null | undefined }>()

const busy = ref(false)
async function again() {
  busy.value = true
  await refreshNuxtData()
  busy.value = false
}
</script>

<template>
  <div v-if="error" class="flex flex-wrap items-center gap-x-5 gap-y-2 pb-4" data-test="trouble">
    <p role="alert" class="font-bold text-clay">{{ error.message }}</p>
    <button type="button" class="button" :disabled="busy" @click="again">
      {{ t('common.tryAgain') }}
    </button>
  </div>
</template>

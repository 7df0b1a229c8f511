<script setup lang="ts">
const { lookingAround, leave } = useMadeUp()
</script>

<template>
  <div
    class="min-h-dvh pt-[env(safe-area-inset-top)] max-sm:pb-[calc(3.5rem+env(safe-area-inset-bottom))] print:pb-0"
  >
    <!-- While another page is on its way. -->
    <NuxtLoadingIndicator color="var(--color-lamp)" error-color="var(--color-clay)" />
    <InTurn>
      <PlacesBar />
    </InTurn>
    <p
      v-if="lookingAround"
      class="flex flex-wrap items-center gap-x-4 bg-lamp px-4 py-1 sm:px-6 print:hidden"
      data-test="made-up"
    >
      {{ t('common.madeUp') }}
      <button type="button" class="min-h-11 font-bold underline" @click="leave">
        {{ t('common.leaveMadeUp') }}
      </button>
    </p>
    <slot />
    <SaidLine />
  </div>
</template>

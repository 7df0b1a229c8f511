<script setup lang="ts">
/** What was done, said over the foot of the page, with the way back beside it. */
const { said, undo, hush } = useSaid()
</script>

<template>
  <p
    role="status"
    data-test="said"
    class="pointer-events-none fixed inset-x-0 bottom-4 z-30 px-4 max-sm:bottom-[calc(4.25rem+env(safe-area-inset-bottom))] print:hidden"
  >
    <span
      v-if="said"
      class="pointer-events-auto mx-auto flex w-fit flex-wrap items-center gap-x-3 rounded bg-ink py-1 pr-1 pl-4 text-chalk"
    >
      {{ said.text }}
      <button v-if="said.back" type="button" class="button" @click="undo">
        {{ t('common.undo') }}
      </button>
      <button
        type="button"
        class="size-11 text-[22px]"
        :aria-label="t('common.closeMessage')"
        @click="hush"
      >
        ×
      </button>
    </span>
  </p>
</template>

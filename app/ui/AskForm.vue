<script setup lang="ts">
/**
 * A form over the page: what is asked, what is wrong with it, and the button that does it. Where leaving it is a choice of
 * its own it has words too.
 */
defineProps<{
  title: string
  open: boolean
  trouble: string
  action: string
  leave?: string
  /** It cannot be undone. */
  grave?: boolean
  busy?: boolean
}>()
const emit = defineEmits<{ close: []; keep: [] }>()
</script>

<template>
  <AskDialog :title :open @close="emit('close')">
    <form class="space-y-4" novalidate @submit.prevent="emit('keep')">
      <slot />
      <AlertLine :text="trouble" />
      <div class="flex gap-3">
        <button
          type="submit"
          class="button"
          :class="grave ? 'border-clay! bg-clay! text-white!' : 'button-lead'"
          :disabled="busy"
        >
          {{ action }}
        </button>
        <button v-if="leave" type="button" class="button" @click="emit('close')">
          {{ leave }}
        </button>
      </div>
    </form>
  </AskDialog>
</template>

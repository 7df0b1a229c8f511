<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'

defineProps<{ title: string; open: boolean }>()
const emit = defineEmits<{ close: [] }>()

/** What is marked `data-first` has the focus when the dialog opens; else its first control. */
const panel = useTemplateRef<{ $el: HTMLElement }>('panel')
const first = {
  get value(): HTMLElement | null {
    return panel.value?.$el.querySelector<HTMLElement>('[data-first]') ?? null
  },
}
</script>

<template>
  <Dialog
    :open="open"
    class="relative z-20"
    :initial-focus="first as unknown as HTMLElement"
    @close="emit('close')"
  >
    <div class="fixed inset-0 bg-ink/50" aria-hidden="true" />
    <div class="fixed inset-0 grid place-items-center p-4">
      <DialogPanel
        ref="panel"
        class="max-h-full w-full max-w-lg overflow-y-auto rounded border-2 border-ink bg-chalk p-6"
      >
        <DialogTitle class="pb-3 text-[28px]">{{ title }}</DialogTitle>
        <slot />
      </DialogPanel>
    </div>
  </Dialog>
</template>

<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'

defineProps<{ title: string }>()
const emit = defineEmits<{ close: [] }>()

/** What is marked `data-first` has the focus when the dialog opens; else its first control. */
const body = useTemplateRef<HTMLElement>('body')
// After the dialog has taken the focus itself.
onMounted(() =>
  setTimeout(() => body.value?.querySelector<HTMLElement>('[data-first]')?.focus(), 30),
)
</script>

<template>
  <Dialog open class="relative z-20" @close="emit('close')">
    <div class="fixed inset-0 bg-ink/50" aria-hidden="true" />
    <div class="fixed inset-0 grid place-items-center p-4">
      <DialogPanel
        class="max-h-full w-full max-w-lg overflow-y-auto rounded border-2 border-ink bg-chalk p-6"
      >
        <DialogTitle class="pb-3 text-[28px]">{{ title }}</DialogTitle>
        <div ref="body">
          <slot />
        </div>
      </DialogPanel>
    </div>
  </Dialog>
</template>

<script setup lang="ts">
/** A button that has a file chosen. */
defineOptions({ inheritAttrs: false })
defineProps<{ label: string; accept: string; lead?: boolean; disabled?: boolean; mark?: string }>()
const emit = defineEmits<{ picked: [file: File] }>()

const chooser = useTemplateRef<HTMLInputElement>('chooser')
function pick() {
  const [picked] = chooser.value?.files ?? []
  if (picked) emit('picked', picked)
  // So that the same file can be chosen again.
  chooser.value!.value = ''
}
</script>

<template>
  <button
    type="button"
    class="button"
    :class="{ 'button-lead': lead }"
    :disabled
    v-bind="$attrs"
    @click="chooser?.click()"
  >
    {{ label }}
  </button>
  <input
    ref="chooser"
    type="file"
    :accept
    class="sr-only"
    tabindex="-1"
    :aria-label="label"
    :data-test="mark"
    @change="pick"
  />
</template>

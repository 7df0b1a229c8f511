<script setup lang="ts">
/**
 * A line of text that is kept when it is left. What is being typed stays whatever else of the page is drawn anew; what
 * another window kept is shown where nobody has typed something else.
 */
const props = defineProps<{ id: string; label: string; kept: string | undefined }>()
const emit = defineEmits<{ keep: [text: string] }>()
defineOptions({ inheritAttrs: false })

const text = ref(props.kept ?? '')
useHalfTyped(
  props.id,
  notKept(text, () => props.kept ?? ''),
)
watch(
  () => props.kept ?? '',
  (now, before) => {
    if (text.value.trim() === before) text.value = now
  },
)
</script>

<template>
  <div class="flex items-center gap-1.5">
    <label :for="id" class="w-28 text-faded">{{ label }}</label>
    <input
      :id
      v-model="text"
      class="field min-w-0 flex-1"
      autocomplete="off"
      v-bind="$attrs"
      @change="emit('keep', text.trim())"
    />
  </div>
</template>

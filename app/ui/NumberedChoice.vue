<script setup lang="ts" generic="T extends string">
const props = defineProps<{
  title: string
  open: boolean
  options: { value: T; name: string }[]
  /** The list itself has the focus from the first, so that Enter alone chooses nothing. */
  unchosen?: boolean
}>()
const emit = defineEmits<{ close: []; choose: [value: T] }>()

/** A figure chooses the line in front of which it stands. */
function onKey(event: KeyboardEvent) {
  const option = props.options[Number(event.key) - 1]
  if (!option) return
  event.preventDefault()
  emit('choose', option.value)
}
</script>

<template>
  <AskDialog :title :open @close="emit('close')">
    <ol :tabindex="unchosen ? 0 : undefined" :data-first="unchosen || undefined" @keydown="onKey">
      <li v-for="(option, i) in options" :key="option.value" class="border-b border-line">
        <button
          type="button"
          class="flex min-h-11 w-full items-center gap-4 py-1 text-left text-lg"
          @click="emit('choose', option.value)"
        >
          <kbd v-if="i < 9" class="key">{{ i + 1 }}</kbd>
          {{ option.name }}
        </button>
      </li>
    </ol>
  </AskDialog>
</template>

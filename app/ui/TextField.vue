<script setup lang="ts">
/** A field with its label, hint and error. What else is given goes to the input. */
defineOptions({ inheritAttrs: false })
defineProps<{
  id: string
  label?: string
  hint?: string
  error?: string
  /** Much hangs on it: the page takes it when the hand rests. */
  resting?: boolean
}>()
const model = defineModel<string>({ default: '' })
</script>

<template>
  <FieldRow :id :label :hint :error>
    <RestingInput
      v-if="resting"
      :id
      v-model="model"
      :aria-invalid="error ? true : undefined"
      :aria-describedby="error ? `${id}-error` : hint ? `${id}-hint` : undefined"
      v-bind="$attrs"
    />
    <input
      v-else
      :id
      v-model="model"
      class="field"
      autocomplete="off"
      :aria-invalid="error ? true : undefined"
      :aria-describedby="error ? `${id}-error` : hint ? `${id}-hint` : undefined"
      v-bind="$attrs"
    />
  </FieldRow>
</template>

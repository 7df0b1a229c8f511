<script setup lang="ts">
/** A field with its label, hint and error. What else is given goes to the input. */
defineOptions({ inheritAttrs: false })
defineProps<{ id: string; label?: string; hint?: string; error?: string }>()
const model = defineModel<string>({ default: '' })
</script>

<template>
  <FieldRow :id :label :hint :error>
    <input
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

<script setup lang="ts">
/** Adds a site that no standard has, by its name. */
const props = defineProps<{ id: string; label: string; add: (name: string) => boolean }>()

const name = ref('')
const error = ref('')
function take() {
  const added = props.add(name.value)
  error.value = added
    ? ''
    : `${props.label}: got ${name.value.trim() || 'nothing'}. Accepted: a name of 1 to 40 letters and figures that the set does not have yet.`
  if (added) name.value = ''
}
</script>

<template>
  <div class="flex items-end gap-3 *:first:flex-1">
    <TextField :id v-model="name" :label :error maxlength="40" @keydown.enter.prevent="take" />
    <button type="button" class="button" @click="take">Add</button>
  </div>
</template>

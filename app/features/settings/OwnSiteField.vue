<script setup lang="ts">
/** Adds a site that no standard has, by its name. */
const props = defineProps<{ id: string; label: string; add: (name: string) => boolean }>()

const name = ref('')
const error = ref('')
function take() {
  const added = props.add(name.value)
  error.value = added
    ? ''
    : t('settings.labelGotTrimAcceptedName', {
        label: props.label,
        trim: name.value.trim() || 'nothing',
      })
  if (added) name.value = ''
}
</script>

<template>
  <div class="flex items-end gap-3 *:first:flex-1">
    <TextField :id v-model="name" :label :error maxlength="40" @keydown.enter.prevent="take" />
    <button type="button" class="button" @click="take">{{ t('settings.add') }}</button>
  </div>
</template>

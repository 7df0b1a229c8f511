<script setup lang="ts">
/** Where somebody chooses a password, with what makes a good one. */
defineProps<{ id: string; label?: string; error?: string }>()
const password = defineModel<string>({ required: true })
</script>

<template>
  <TextField
    :id
    v-model="password"
    class="max-w-md"
    type="password"
    :label="label ?? t('access.newPassword')"
    :hint="t('access.newPasswordHint')"
    :error
    autocomplete="new-password"
  />
</template>

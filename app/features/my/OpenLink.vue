<script setup lang="ts">
import { sharing } from '~/contract'

/** Comes in by a link: a phone that has not been here is asked for the year of birth. */
const { linkKey } = defineProps<{ linkKey: string }>()
const emit = defineEmits<{ opened: [] }>()

const year = ref('')
const { trouble, problems, busy, submit } = useSubmit()
async function open() {
  const birthYear = /^\d{4}$/.test(year.value.trim()) ? Number(year.value) : null
  const body = { key: linkKey, birthYear }
  if (await submit(() => callApi(sharing.open, { body }))) emit('opened')
}
</script>

<template>
  <div>
    <h1 class="pb-2 text-[40px]">{{ t('my.title') }}</h1>
    <p v-if="linkKey === ''">{{ t('my.needsLink') }}</p>
    <form v-else class="space-y-4" novalidate @submit.prevent="open">
      <p>{{ t('my.yearAsked') }}</p>
      <TextField
        id="year"
        v-model="year"
        :label="t('my.birthYear')"
        :error="problems.birthYear ?? problems.key"
        inputmode="numeric"
        maxlength="4"
      />
      <AlertLine :text="problems.birthYear || problems.key ? '' : trouble" />
      <button type="submit" class="button button-lead" :disabled="busy">{{ t('my.open') }}</button>
    </form>
  </div>
</template>

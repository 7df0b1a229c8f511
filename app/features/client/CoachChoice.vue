<script setup lang="ts">
import { access, gym } from '~/contract'

/** Whose client somebody is: for the owner to say. */
const { clientId } = defineProps<{ clientId: string }>()
const emit = defineEmits<{ changed: [] }>()
const params = { id: clientId }
const { data } = await useAsyncData(`coach-${clientId}`, async () => ({
  ...(await callApi(access.coach, { params })),
  testers: (await callApi(gym.view, {})).testers,
}))
const { trouble, submit } = useSubmit()
const coachId = computed({
  get: () => data.value?.coachId ?? '',
  set: async (to) => {
    const body = { coachId: to || null }
    const kept = await submit(() => callApi(access.assign, { params, body }))
    if (!kept || !data.value) return
    data.value = { ...data.value, ...kept }
    emit('changed')
  },
})
</script>

<template>
  <FieldRow v-if="data" id="whose-client" :label="t('access.whose')" :error="trouble">
    <select id="whose-client" v-model="coachId" class="field max-w-md">
      <option value="">{{ t('access.whoseNobody') }}</option>
      <option v-for="{ id, name } in data.testers" :key="id" :value="id">{{ name }}</option>
    </select>
  </FieldRow>
</template>

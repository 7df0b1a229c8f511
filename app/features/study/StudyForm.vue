<script setup lang="ts">
import { GIRTH_IDS, PROTOCOLS, SKINFOLD_IDS, USUAL_SUBJECTS, type SiteId } from '#core'
import { v4 as newId } from 'uuid'
import type { Gym, Tester } from '#shared/contract/equipment'
import { studies } from '~/contract'

/** A new study of a tester. */
const { gym, tester, open } = defineProps<{ gym: Gym; tester: Tester; open: boolean }>()
const emit = defineEmits<{ close: [] }>()

const others = computed(() => gym.testers.filter((one) => one.id !== tester.id && !one.retired))
const usual = PROTOCOLS.find(({ id }) => id === gym.settings.defaultProtocolId)
const reference = ref('')
const folds = ref<SiteId[]>([...(usual?.folds.female ?? ['triceps', 'subscapular', 'thigh'])])
const girths = ref<SiteId[]>([])
const subjects = ref(
  Array.from({ length: USUAL_SUBJECTS }, (_, i) =>
    t('study.subjectNumber', { number: i + 1 }),
  ).join('\n'),
)
const names = computed(() =>
  subjects.value
    .split('\n')
    .map((name) => name.trim())
    .filter(Boolean),
)
const { trouble, submit, busy } = useSubmit()
async function begin() {
  const id = newId()
  const body = {
    ...{ id, testerId: tester.id, referenceId: reference.value || null },
    ...{ standard: gym.settings.standard, sites: [...folds.value, ...girths.value] },
    subjects: names.value,
  }
  if (await submit(() => callApi(studies.begin, { body })))
    await navigateTo(`/equipment/studies/${id}`)
}
</script>

<template>
  <AskForm
    :title="t('study.newStudy', { name: tester.name })"
    :open
    :trouble
    :busy
    :action="t('study.begin')"
    @close="emit('close')"
    @keep="begin"
  >
    <p>{{ t('study.howStudy') }}</p>
    <FieldRow id="study-reference" :label="t('study.against')" :hint="t('study.againstHint')">
      <select id="study-reference" v-model="reference" class="field">
        <option value="">{{ t('study.themselvesAlone') }}</option>
        <option v-for="one in others" :key="one.id" :value="one.id">{{ one.name }}</option>
      </select>
    </FieldRow>
    <SiteToggles v-model="folds" :label="t('study.folds')" :sites="[...SKINFOLD_IDS]" />
    <SiteToggles v-model="girths" :label="t('study.girths')" :sites="[...GIRTH_IDS]" />
    <FieldRow
      id="study-subjects"
      :label="t('study.subjectsCount', { count: names.length })"
      :hint="t('study.subjectsHint')"
    >
      <textarea id="study-subjects" v-model="subjects" class="field" rows="6" />
    </FieldRow>
  </AskForm>
</template>

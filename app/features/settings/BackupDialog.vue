<script setup lang="ts">
import type { Backup, BackupHolds } from '#shared/contract/backups'
import { backups as routes } from '~/contract'

/** Asks before a backup is tested or restored, does it, and says what came of it. */
const { asked, outcome } = defineProps<{
  asked: { backup: Backup; act: 'test' | 'restore' } | undefined
  /** What came of it; empty until then. */
  outcome: string
}>()
const emit = defineEmits<{ close: []; ended: [holds: BackupHolds] }>()

const passphrase = ref('')
const { trouble, busy, submit, clear } = useSubmit()
const isTest = computed(() => asked?.act === 'test')
const title = computed(() => {
  const at = asked ? instantText(asked.backup.madeAt) : ''
  if (isTest.value) return outcome ? t('backups.testedTitle') : t('backups.testTitle', { at })
  return t(outcome ? 'backups.restoredTitle' : 'backups.restoreTitle', { at })
})

function close() {
  passphrase.value = ''
  clear()
  emit('close')
}
async function act() {
  if (outcome) return close()
  const sent = {
    params: { name: asked!.backup.name },
    body: passphrase.value ? { passphrase: passphrase.value } : {},
  }
  const holds = await submit(() =>
    isTest.value ? callApi(routes.tryOut, sent) : callApi(routes.restore, sent),
  )
  if (holds) emit('ended', holds)
}
const action = computed(() => {
  if (outcome) return t(isTest.value ? 'backups.close' : 'common.toToday')
  return t(isTest.value ? 'backups.testNow' : 'backups.restoreNow')
})
</script>

<template>
  <AskForm
    :title
    :open="asked !== undefined"
    :trouble
    :action
    :leave="outcome ? undefined : t('common.cancel')"
    :grave="!isTest && !outcome"
    :busy
    @close="close"
    @keep="act"
  >
    <p role="status" data-test="backup-outcome">{{ outcome }}</p>
    <template v-if="!outcome">
      <p>{{ t(isTest ? 'backups.testWhy' : 'backups.restoreWhy') }}</p>
      <TextField
        v-if="asked?.backup.locked"
        id="backup-opened-by"
        v-model="passphrase"
        type="password"
        autocomplete="off"
        :label="t('backups.passphraseOf')"
        :hint="t('backups.passphraseOfHint')"
      />
    </template>
  </AskForm>
</template>

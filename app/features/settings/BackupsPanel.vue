<script setup lang="ts">
import { isoDateOf } from '#core'
import type { Backup, BackupHolds, Backups } from '#shared/contract/backups'
import { backups as routes } from '~/contract'
import BackupDialog from './BackupDialog.vue'

/** The backups that there are, making one, testing and restoring one, and where and how they are kept. */
const props = defineProps<{ start: Backups }>()

const view = ref(props.start)
const { trouble, problems, done, busy, submit } = useSubmit()
async function take(call: () => Promise<Backups>, said: string) {
  const now = await submit(call, said)
  if (now) view.value = now
  return now
}
const make = () => take(() => callApi(routes.make, {}), t('backups.made'))

async function bring(picked: File) {
  // A file's own type is what its name says, and a locked one has none.
  const file = new Blob([picked], { type: 'application/octet-stream' })
  await take(() => callApi(routes.bring, { file }), t('backups.brought'))
}

const FEW = 5
const all = ref(false)
const shown = computed(() => (all.value ? view.value.backups : view.value.backups.slice(0, FEW)))
const lineOf = ({ reason, bytes, locked }: Backup) =>
  t(locked ? 'backups.lineLocked' : 'backups.line', {
    reason: t(`backups.reasons.${reason}`),
    size:
      bytes < 1e5
        ? t('backups.kilobytes', { size: whole(bytes / 1e3) })
        : t('backups.megabytes', { size: fixed(bytes / 1e6, 1) }),
  })

const day = (at: string) => formatDate(isoDateOf(new Date(at)), true)
const concern = computed(() => {
  const { concern: about, secondFailed, triedAt } = view.value
  if (about === 'copy-failed')
    return t('backups.concerns.copyFailed', { at: instantText(secondFailed!) })
  if (about === 'tried-long-ago') return t('backups.concerns.triedLongAgo', { day: day(triedAt!) })
  return about === 'never-tried' ? t('backups.concerns.neverTried') : ''
})

const asked = ref<{ backup: Backup; act: 'test' | 'restore' }>()
const outcome = ref('')
async function ended(holds: BackupHolds) {
  const act = asked.value!.act
  outcome.value = t(act === 'test' ? 'backups.tested' : 'backups.restored', {
    clients: t('backups.countClients', counted(holds.clients)),
    checkIns: t('backups.countCheckIns', counted(holds.checkIns)),
    readings: t('backups.countReadings', counted(holds.readings)),
    photos: t('backups.countPhotos', counted(holds.photos)),
  })
  const now = await callApi(routes.view, {}).catch(() => undefined)
  if (now) view.value = now
}
function leave() {
  // Every page shows another record than before.
  if (outcome.value && asked.value?.act === 'restore') reloadNuxtApp({ path: '/', force: true })
  asked.value = undefined
  outcome.value = ''
}

const second = ref(props.start.second ?? '')
const keepSecond = (to: string | null) =>
  take(
    () => callApi(routes.change, { body: { second: to } }),
    t(to === null ? 'backups.notCopied' : 'backups.copied'),
  )
async function stopCopying() {
  if (await keepSecond(null)) second.value = ''
}
const passphrase = ref('')
async function keepPassphrase(to: string | null) {
  const said = t(to === null ? 'backups.notLocked' : 'backups.locked')
  if (await take(() => callApi(routes.change, { body: { passphrase: to } }), said))
    passphrase.value = ''
}
</script>

<template>
  <p v-if="view.folder === null">{{ t('backups.madeUp') }}</p>
  <div v-else class="space-y-4">
    <p class="wrap-anywhere">{{ t('backups.intro', { folder: view.folder }) }}</p>
    <p
      v-if="concern"
      :class="view.concern === 'copy-failed' ? 'caution' : 'font-bold'"
      data-test="backup-concern"
    >
      {{ concern }}
    </p>
    <p v-else-if="view.triedAt" class="text-faded">
      {{ t('backups.lastTested', { day: day(view.triedAt) }) }}
    </p>
    <div class="flex flex-wrap gap-3">
      <button type="button" class="button button-lead" :disabled="busy" @click="make">
        {{ t('backups.make') }}
      </button>
      <FileButton
        :label="t('backups.bring')"
        accept=".zip,.age"
        :disabled="busy"
        mark="backup-file"
        @picked="bring"
      />
    </div>
    <p role="status" :class="{ 'sr-only': !done }">{{ done }}</p>
    <AlertLine :text="problems.second || problems.passphrase ? '' : trouble" />
    <ul v-if="shown.length" data-test="backups">
      <li
        v-for="backup in shown"
        :key="backup.name"
        class="flex flex-wrap items-center gap-3 border-b border-line py-2"
      >
        <p class="min-w-52 flex-1 basis-full sm:basis-0">
          <strong class="text-lg">{{ instantText(backup.madeAt) }}</strong>
          <span class="block text-faded">{{ lineOf(backup) }}</span>
        </p>
        <NamedButton :of="instantText(backup.madeAt)" @click="asked = { backup, act: 'test' }">{{
          t('backups.test')
        }}</NamedButton>
        <NamedButton :of="instantText(backup.madeAt)" @click="asked = { backup, act: 'restore' }">{{
          t('backups.restore')
        }}</NamedButton>
        <a :href="`/api/backups/${backup.name}`" class="link inline-flex min-h-11 items-center"
          >{{ t('backups.download')
          }}<span class="sr-only">{{ ` ${instantText(backup.madeAt)}` }}</span></a
        >
      </li>
    </ul>
    <p v-else class="text-faded">{{ t('backups.none') }}</p>
    <button
      v-if="view.backups.length > shown.length"
      type="button"
      class="button"
      @click="all = true"
    >
      {{ t('backups.showAll', { count: view.backups.length }) }}
    </button>
    <form class="flex flex-wrap items-end gap-3" novalidate @submit.prevent="keepSecond(second)">
      <TextField
        id="backup-second"
        v-model="second"
        class="max-w-md"
        :label="t('backups.secondFolder')"
        :hint="t('backups.secondHint')"
        :error="problems.second"
      />
      <button type="submit" class="button" :disabled="busy">{{ t('backups.save') }}</button>
      <button
        v-if="view.second !== null"
        type="button"
        class="button"
        :disabled="busy"
        @click="stopCopying"
      >
        {{ t('backups.stopCopying') }}
      </button>
    </form>
    <div v-if="view.locking" class="flex flex-wrap items-center gap-3">
      <p>{{ t('backups.locking') }}</p>
      <button type="button" class="button" :disabled="busy" @click="keepPassphrase(null)">
        {{ t('backups.stopLocking') }}
      </button>
    </div>
    <form
      v-else
      class="flex flex-wrap items-end gap-3"
      novalidate
      @submit.prevent="keepPassphrase(passphrase)"
    >
      <TextField
        id="backup-passphrase"
        v-model="passphrase"
        class="max-w-md"
        type="password"
        autocomplete="new-password"
        :label="t('backups.passphrase')"
        :hint="t('backups.passphraseHint')"
        :error="problems.passphrase"
      />
      <button type="submit" class="button" :disabled="busy">{{ t('backups.lock') }}</button>
    </form>
    <BackupDialog :asked :outcome @close="leave" @ended="ended" />
  </div>
</template>

<script setup lang="ts">
import { formatAsTyped, formatDate, type TypedUnit } from '#core'
import type { Client } from '#shared/contract/clients'
import type { ClientFile } from '#shared/contract/record'
import { clients } from '~/contract'
import { auditWords } from './audit-words'

/** Edits of a client with their history, the archive and erasing. */
const props = defineProps<{ client: Client; file: ClientFile; today: string }>()
const emit = defineEmits<{ changed: [] }>()

const params = { id: props.client.id }
const form = reactive({
  name: props.client.name,
  sex: props.client.sex,
  birthDate: props.client.birthDate ?? '',
  birthYear: String(props.client.birthYear ?? ''),
  cadenceDays: String(props.client.cadenceDays),
  height: '',
  heightTakenOn: props.today,
  showPercentages: props.client.showPercentages,
  cycleWanted: props.client.cycleWanted,
  hiddenOnLeaderboards: props.client.hiddenOnLeaderboards,
})
const sexes = [
  { value: 'female' as const, name: 'Female' },
  { value: 'male' as const, name: 'Male' },
]
const { problems, trouble, done, submit } = useSubmit()
const erasing = ref(false)
const erasedName = ref('')
const erasure = useSubmit()

async function change(body: object, words: string) {
  const changed = await submit(() => callApi(clients.change, { params, body }), words)
  if (changed) emit('changed')
  return changed
}

async function keep() {
  const { height, heightTakenOn, ...rest } = form
  const plain = {
    ...rest,
    birthDate: rest.birthDate || null,
    birthYear: rest.birthYear.trim() === '' ? null : Number(rest.birthYear),
    cadenceDays: Number(rest.cadenceDays),
  }
  const changed = await change(
    height.trim() ? { ...plain, height, heightTakenOn } : plain,
    'Saved.',
  )
  if (changed) form.height = ''
}

async function erase() {
  const body = { name: erasedName.value }
  if (await erasure.submit(() => callApi(clients.erase, { params, body }))) await navigateTo('/')
}

const instant = (at: string) =>
  new Date(at).toLocaleString([], { dateStyle: 'medium', timeStyle: 'short' })
</script>

<template>
  <div class="grid gap-x-12 gap-y-8 lg:grid-cols-2">
    <form class="space-y-4" novalidate @submit.prevent="keep">
      <TextField id="edit-name" v-model="form.name" label="Name" :error="problems.name" />
      <ChoiceRow v-model="form.sex" label="Sex used by the equations" :options="sexes" />
      <div class="grid grid-cols-2 gap-4">
        <TextField
          id="edit-birth"
          v-model="form.birthDate"
          label="Birth date"
          :error="problems.birthDate"
          type="date"
        />
        <TextField
          id="edit-birth-year"
          v-model="form.birthYear"
          label="or the year alone"
          :error="problems.birthYear"
          inputmode="numeric"
          maxlength="4"
        />
      </div>
      <div class="grid grid-cols-2 gap-4">
        <TextField
          id="edit-height"
          v-model="form.height"
          label="New height"
          :error="problems.height"
          placeholder="leave empty to keep"
        />
        <TextField
          id="edit-height-on"
          v-model="form.heightTakenOn"
          label="measured on"
          :error="problems.heightTakenOn"
          type="date"
        />
      </div>
      <p v-if="file.heights.length" class="text-faded">
        On record:
        {{
          file.heights
            .map(
              (h) =>
                `${formatAsTyped(h.cm, h.unit as TypedUnit)} from ${formatDate(h.takenOn, true)}`,
            )
            .join('; ')
        }}. Each check-in uses the height in force on its day.
      </p>
      <TextField
        id="edit-cadence"
        v-model="form.cadenceDays"
        label="Days between check-ins"
        :error="problems.cadenceDays"
        inputmode="numeric"
      />
      <TickBox v-model="form.showPercentages"
        >Percentages and class names may be shown (else sums and girths only)</TickBox
      >
      <TickBox v-model="form.cycleWanted"
        >Keep the phase of the cycle with each check-in, as the client wishes</TickBox
      >
      <TickBox v-model="form.hiddenOnLeaderboards">Name hidden on leaderboards</TickBox>
      <AlertLine :text="trouble" />
      <div class="flex flex-wrap items-center gap-4">
        <button type="submit" class="button button-lead">Keep the changes</button>
        <span role="status">{{ done }}</span>
      </div>
    </form>
    <div class="space-y-6">
      <section>
        <h2 class="border-b-2 border-ink pb-1 text-xl">Change log</h2>
        <ul v-if="file.auditLog.length" class="pt-2" data-test="history">
          <li v-for="(entry, i) in file.auditLog" :key="i" class="border-b border-line py-1">
            {{ auditWords(entry) }}
            <span class="block text-sm text-faded">{{ instant(entry.at) }}, {{ entry.actor }}</span>
          </li>
        </ul>
        <p v-else class="pt-2 text-faded">Nothing yet.</p>
      </section>
      <section>
        <h2 class="border-b-2 border-ink pb-1 text-xl">Archive or erase</h2>
        <p class="py-2">
          An archived client leaves Today and the lists; everything is kept and can be restored.
        </p>
        <div class="flex flex-wrap gap-3">
          <button type="button" class="button" @click="change({ archived: !client.archived }, '')">
            {{ client.archived ? 'Restore from the archive' : 'Archive' }}
          </button>
          <button type="button" class="button text-clay" @click="erasing = true">
            Erase for good…
          </button>
        </div>
      </section>
    </div>
  </div>
  <AskForm
    :title="`Erase ${client.name} for good?`"
    :open="erasing"
    :trouble="erasure.trouble.value"
    action="Erase for good"
    grave
    leave="Keep"
    @close="erasing = false"
    @keep="erase"
  >
    <p>
      Every check-in, reading, mark and note of {{ client.name }} is deleted. This cannot be undone.
      Type the name to go on.
    </p>
    <TextField id="erase-name" v-model="erasedName" label="Name" />
  </AskForm>
</template>

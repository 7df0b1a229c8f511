<script setup lang="ts">
import { formatDate } from '#core'
import { checkInSchema, type CheckInWithReadings } from '#shared/contract/check-ins'
import { todaySchema } from '#shared/contract/today'

/** Voids a check-in with a reason, or moves one that was taken under the wrong name. */
const props = defineProps<{ checkIn: CheckInWithReadings }>()
const emit = defineEmits<{ done: [] }>()

const api = useApi()
const asking = ref<'void' | 'move'>()
const reason = ref('')
const target = ref('')
const trouble = ref('')
const others = ref<{ id: string; name: string }[]>([])

async function ask(what: 'void' | 'move') {
  reason.value = ''
  trouble.value = ''
  asking.value = what
  if (what === 'void') return
  const { entries } = await api.get('/api/today', todaySchema)
  others.value = entries
    .map(({ client }) => client)
    .filter(({ id }) => id !== props.checkIn.clientId)
}

async function send(path: string, body: object) {
  trouble.value = ''
  try {
    await api.post(`/api/check-ins/${props.checkIn.id}/${path}`, checkInSchema, body)
    asking.value = undefined
    emit('done')
  } catch (error) {
    trouble.value = (error as Error).message
  }
}

function go() {
  return asking.value === 'void'
    ? send('void', { reason: reason.value })
    : send('move', { clientId: target.value, reason: reason.value })
}
</script>

<template>
  <div class="flex flex-wrap gap-3">
    <template v-if="checkIn.voided">
      <button type="button" class="button" @click="send('restore', {})">Take back</button>
    </template>
    <template v-else>
      <NuxtLink :to="`/check-in/${checkIn.id}`" class="button">Correct readings</NuxtLink>
      <button type="button" class="button" @click="ask('move')">Move to another client…</button>
      <button type="button" class="button" @click="ask('void')">Void…</button>
    </template>
    <p v-if="trouble && !asking" role="alert" class="font-bold text-clay">{{ trouble }}</p>
    <AskDialog
      :title="`${asking === 'void' ? 'Void' : 'Move'} the check-in of ${formatDate(checkIn.measuredOn, true)}`"
      :open="asking !== undefined"
      @close="asking = undefined"
    >
      <form class="space-y-4" @submit.prevent="go">
        <p v-if="asking === 'void'">
          It leaves the ledger and the curves; it stays on record with the reason and can be taken
          back.
        </p>
        <FieldRow v-else id="move-to" label="To">
          <select id="move-to" v-model="target" class="field">
            <option v-for="other in others" :key="other.id" :value="other.id">
              {{ other.name }}
            </option>
          </select>
        </FieldRow>
        <FieldRow id="reason" label="Reason">
          <input id="reason" v-model="reason" class="field" autocomplete="off" maxlength="200" />
        </FieldRow>
        <p v-if="trouble" role="alert" class="font-bold text-clay">{{ trouble }}</p>
        <div class="flex gap-3">
          <button type="submit" class="button button-lead">
            {{ asking === 'void' ? 'Void it' : 'Move it' }}
          </button>
          <button type="button" class="button" @click="asking = undefined">Leave it</button>
        </div>
      </form>
    </AskDialog>
  </div>
</template>

<script setup lang="ts">
import type { CheckIn } from '#shared/contract/check-ins'
import { checkIns, clients } from '~/contract'

/** Voids a check-in with a reason, moves one that was taken under the wrong name, or restores one. */
const props = defineProps<{
  checkIn: Pick<CheckIn, 'id' | 'measuredOn'>
  clientId: string
  voided?: boolean
}>()
const emit = defineEmits<{ done: [] }>()

const { busy, trouble, submit, clear } = useSubmit()
const { say } = useSaid()
const asking = ref<'void' | 'move'>()
const reason = ref('')
const target = ref('')
const others = ref<{ id: string; name: string }[]>([])
const params = computed(() => ({ id: props.checkIn.id }))

async function ask(what: 'void' | 'move') {
  reason.value = ''
  clear()
  asking.value = what
  if (what === 'void') return
  const found = await submit(() => callApi(clients.list, {}))
  others.value = (found?.entries ?? [])
    .map(({ client }) => client)
    .filter(({ id }) => id !== props.clientId)
}

/** Sends, says what was done with the way back, and is done. */
async function send(call: () => Promise<unknown>, done: string, back?: () => Promise<unknown>) {
  if ((await submit(call)) === undefined) return
  asking.value = undefined
  emit('done')
  const again = back && (async () => (await submit(back)) !== undefined && refreshNuxtData())
  say(done, again)
}

const day = computed(() => formatDate(props.checkIn.measuredOn, true))
const asItWas = () => callApi(checkIns.restore, { params: params.value })
const restore = () => send(asItWas, t('clientFile.restored', { day: day.value }))
function go() {
  const body = { reason: reason.value }
  const move = (clientId: string, why: string) =>
    callApi(checkIns.move, { params: params.value, body: { reason: why, clientId } })
  if (asking.value === 'void') {
    const voiding = () => callApi(checkIns.void, { params: params.value, body })
    return send(voiding, t('clientFile.voided', { day: day.value }), asItWas)
  }
  const name = others.value.find(({ id }) => id === target.value)?.name
  const from = props.clientId
  return send(
    () => move(target.value, reason.value),
    t('clientFile.movedTo', { name }),
    () => move(from, t('clientFile.undoneMove')),
  )
}
</script>

<template>
  <div class="flex flex-wrap gap-3">
    <template v-if="voided">
      <button type="button" class="button" @click="restore">{{ t('clientFile.restore') }}</button>
    </template>
    <template v-else>
      <NuxtLink :to="`/check-in/${checkIn.id}`" class="button">{{
        t('clientFile.correctReadings')
      }}</NuxtLink>
      <button type="button" class="button" @click="ask('move')">
        {{ t('clientFile.moveAnotherClient') }}
      </button>
      <button type="button" class="button" @click="ask('void')">{{ t('clientFile.void') }}</button>
    </template>
    <AlertLine v-if="!asking" :text="trouble" />
    <AskForm
      :title="
        t(asking === 'void' ? 'clientFile.voidTitle' : 'clientFile.moveTitle', {
          day,
        })
      "
      :open="asking !== undefined"
      :trouble
      :busy
      :action="asking === 'void' ? t('clientFile.void2') : t('clientFile.move')"
      :leave="t('common.cancel')"
      @close="asking = undefined"
      @keep="go"
    >
      <p v-if="asking === 'void'">
        {{ t('clientFile.leavesLedgerCurvesStaysRecord') }}
      </p>
      <FieldRow v-else id="move-to" :label="t('clientFile.to')">
        <select id="move-to" v-model="target" class="field">
          <option v-for="other in others" :key="other.id" :value="other.id">
            {{ other.name }}
          </option>
        </select>
      </FieldRow>
      <TextField id="reason" v-model="reason" :label="t('clientFile.reason')" maxlength="200" />
    </AskForm>
  </div>
</template>

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

async function send(call: () => Promise<unknown>) {
  if ((await submit(call)) === undefined) return
  asking.value = undefined
  emit('done')
}

const restore = () => send(() => callApi(checkIns.restore, { params: params.value }))
function go() {
  const body = { reason: reason.value }
  return asking.value === 'void'
    ? send(() => callApi(checkIns.void, { params: params.value, body }))
    : send(() =>
        callApi(checkIns.move, { params: params.value, body: { ...body, clientId: target.value } }),
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
          day: formatDate(checkIn.measuredOn, true),
        })
      "
      :open="asking !== undefined"
      :trouble
      :busy
      :action="asking === 'void' ? t('clientFile.void2') : t('clientFile.move')"
      :leave="t('clientFile.cancel')"
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

<script setup lang="ts">
import { INSTRUMENT_UNITS, isZero, plainText, typedNumber } from '#core'
import { v4 as newId } from 'uuid'
import type { Gym, Instrument } from '#shared/contract/equipment'
import { gym as routes } from '~/contract'

/** Before a session: whether the closed caliper, or the empty scale, reads nothing. One tap where it does. */
const { instrument, today } = defineProps<{ instrument: Instrument; today: string }>()
const emit = defineEmits<{ checked: [gym: Gym] }>()
const { trouble, busy, submit } = useSubmit()
const asking = ref(false)
const text = ref('')
/** What was found now, until the page knows it. */
const found = ref<number>()
const zero = computed(
  () => found.value ?? (instrument.zero?.on === today ? instrument.zero.read : undefined),
)
const unit = computed(() => INSTRUMENT_UNITS[instrument.kind])

async function keep(read: number) {
  const params = { id: instrument.id }
  const body = { id: newId(), read }
  const gym = await submit(() => callApi(routes.zeroInstrument, { params, body }))
  if (!gym) return
  found.value = read
  asking.value = false
  emit('checked', gym)
}
const keepTyped = () => keep(typedNumber(plainText(text.value)) ?? NaN)
</script>

<template>
  <div data-test="zero">
    <p
      v-if="zero !== undefined"
      :class="isZero(instrument.kind, zero) ? 'text-leaf' : 'font-bold text-clay'"
    >
      {{
        isZero(instrument.kind, zero)
          ? t('equipment.readsZero')
          : t('equipment.readsNotZero', { read: signed(zero, 1), unit })
      }}
    </p>
    <template v-else>
      <button
        type="button"
        class="button max-w-full whitespace-normal"
        :disabled="busy"
        @click="keep(0)"
      >
        {{
          instrument.kind === 'scale'
            ? t('equipment.emptyReadsZero')
            : t('equipment.closedReadsZero')
        }}<span class="sr-only">{{ ` ${instrument.name}` }}</span>
      </button>
      <button type="button" class="min-h-11 px-3 underline" @click="asking = true">
        {{ t('equipment.itDoesNot') }}<span class="sr-only">{{ ` ${instrument.name}` }}</span>
      </button>
      <AlertLine v-if="!asking" :text="trouble" />
    </template>
    <AskForm
      :title="t('equipment.whatItReads', { name: instrument.name })"
      :open="asking"
      :trouble
      :busy
      :action="t('equipment.keep')"
      @close="asking = false"
      @keep="keepTyped"
    >
      <TextField
        :id="`zero-${instrument.id}`"
        v-model="text"
        :label="t('equipment.zeroReads', { unit })"
        inputmode="decimal"
      />
      <p>{{ t('equipment.zeroFirst') }}</p>
    </AskForm>
  </div>
</template>

<script setup lang="ts">
import { isOfAnotherTime } from '#core'
import { v4 as newId } from 'uuid'
import type { SentMeasurement } from '~/features/devices/useBodyDevice'
import { otherResults } from '~/contract'

/**
 * The scale or monitor that sends the body mass: what stands on it, and what is asked before it lands in the field. What it
 * makes of somebody's fat is kept beside the folds, where that is wanted.
 */
const emit = defineEmits<{ sent: [measurement: SentMeasurement] }>()

const store = useCheckInStore()
const scale = useBodyDevice()
const { device, measurement, wandering } = storeToRefs(scale)
const { hindrance, isBad } = useDeviceWords()
const unit = useMassUnit()
const show = (kg: number) => formatMass(kg, unit.value)

/* What it sent before is of whoever stood there before. */
onMounted(() => {
  scale.clear()
  void scale.resume().catch(() => {})
})

/** Why what came is asked about before it counts. */
const asked = shallowRef<{ measurement: SentMeasurement; question: string }>()
/** What came and was let in. */
const taken = shallowRef<SentMeasurement>()

function doubtOf({ massKg, clock }: SentMeasurement): string {
  const of = { mass: show(massKg), who: store.client!.name }
  const usual = store.usualUnlike(massKg)
  if (usual !== undefined) return t('devices.whoseWeight', { ...of, usual: show(usual) })
  if (clock === null || !isOfAnotherTime(clock, timeHere())) return ''
  return t('devices.whenWeighed', { ...of, clock: instantText(clock) })
}
watch(measurement, (now) => {
  if (!now) return
  // Its idea of fat may come after the mass, which is in the field by then.
  if (taken.value?.massKg === now.massKg) {
    taken.value = now
    return
  }
  const question = doubtOf(now)
  asked.value = question ? { measurement: now, question } : undefined
  if (!question) letIn(now)
})
function letIn(now: SentMeasurement) {
  asked.value = undefined
  taken.value = now
  kept.value = false
  emit('sent', now)
}

const connecting = useSubmit()
const connect = () => connecting.submit(scale.choose)

/** One line: what the device does now. */
const line = computed(() => {
  if (!device.value) return ''
  const { name } = device.value
  if (hindrance.value) return hindrance.value
  if (wandering.value !== undefined)
    return t('devices.wandering', { name, mass: show(wandering.value) })
  if (taken.value) return t('devices.sent', { name, mass: show(taken.value.massKg) })
  return t('devices.stepOn', { name })
})

/* Its idea of fat. */
const kept = ref(false)
const keeping = useSubmit()
async function keepFat() {
  const { device: name, fatPercent } = taken.value!
  const { client, checkIn } = store
  const body = {
    ...{ id: newId(), method: 'bia' as const, device: name, on: checkIn!.measuredOn },
    ...{ fatPercent: fatPercent!, fatKg: null, leanKg: null },
    conditions: t('devices.atCheckIn'),
  }
  const done = await keeping.submit(() =>
    callApi(otherResults.add, { params: { id: client!.id }, body }),
  )
  if (done) kept.value = true
}
</script>

<template>
  <section class="mt-4 max-w-2xl" data-test="scale-device">
    <p v-if="asked" role="alert" class="flex flex-wrap items-center gap-x-4 gap-y-2 caution">
      <span class="min-w-52 flex-1">{{ asked.question }}</span>
      <button type="button" class="button" @click="letIn(asked.measurement)">
        {{ t('devices.yesTake') }}
      </button>
      <button type="button" class="button" @click="asked = undefined">
        {{ t('devices.no') }}
      </button>
    </p>
    <p v-else-if="line" role="status" :class="isBad ? 'font-bold text-clay' : 'text-leaf'">
      {{ line }}
    </p>
    <p v-if="device?.standsIn" class="text-faded">
      {{ t('devices.invented') }}
      <NuxtLink to="/equipment/devices" class="underline">{{ t('devices.devices') }}</NuxtLink>
    </p>
    <p v-if="taken && taken.fatPercent !== null" class="flex flex-wrap items-center gap-3 pt-2">
      <span v-if="kept" role="status" class="text-leaf">{{ t('devices.fatKept') }}</span>
      <button v-else type="button" class="button" :disabled="keeping.busy.value" @click="keepFat">
        {{
          store.sensitive
            ? t('devices.keepFatUnsaid')
            : t('devices.keepFat', { fat: fixed(taken.fatPercent, 1) })
        }}
      </button>
      <AlertLine :text="keeping.trouble.value" />
    </p>
    <template v-if="!device && speaksBluetooth()">
      <button type="button" class="button" @click="connect">{{ t('devices.connect') }}</button>
      <AlertLine :text="connecting.trouble.value" />
    </template>
  </section>
</template>

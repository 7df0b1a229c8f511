<script setup lang="ts">
import type { StandIn } from '~/features/devices/stand-ins'

await breathe()
usePageTitle(() => t('devices.devices'))

const scale = useBodyDevice()
const { device, measurement, wandering } = storeToRefs(scale)
const { hindrance, isBad } = useDeviceWords()
const unit = useMassUnit()
const speaks = ref(false)
onMounted(() => {
  speaks.value = speaksBluetooth()
  void submit(scale.resume)
})
const { trouble, submit } = useSubmit()
const connect = () => submit(scale.choose)
const take = (kind: StandIn) => submit(() => scale.useStandIn(kind))
/** Who steps on a stand-in uses it: another one gives way. */
async function stepped(kind: StandIn) {
  const chosen = scale.chosen
  if (!chosen || !('standIn' in chosen) || chosen.standIn !== kind) await take(kind)
}

const types = useTypingInstrument()
listenToInstruments()

const said = computed(() => {
  if (!device.value) return t('devices.none')
  const { name } = device.value
  if (hindrance.value) return hindrance.value
  if (wandering.value !== undefined) return t('devices.notSteady')
  return measurement.value ? t('devices.steady') : t('devices.stepOn', { name })
})
const kg = computed(() => wandering.value ?? measurement.value?.massKg)
</script>

<template>
  <main class="mx-auto max-w-4xl px-4 py-6 sm:px-6">
    <p class="text-faded">
      <NuxtLink to="/equipment" class="underline underline-offset-4">{{
        t('equipment.equipment')
      }}</NuxtLink>
    </p>
    <h1 class="pb-1 text-[40px]">{{ t('devices.devices') }}</h1>
    <p class="max-w-3xl pb-5 text-lg">{{ t('devices.intro') }}</p>

    <section class="pb-7" data-test="body-device">
      <h2 class="border-b-2 border-ink pb-1 text-2xl">{{ t('devices.scaleOrMonitor') }}</h2>
      <div class="flex flex-wrap items-baseline gap-x-6 pt-3">
        <span
          v-if="kg !== undefined"
          class="figure text-[56px] leading-none"
          :class="{ 'text-faded': wandering !== undefined }"
          data-test="standing"
          >{{ formatMass(kg, unit) }}</span
        >
        <span
          v-if="measurement && measurement.fatPercent !== null"
          class="figure text-[30px] text-amber"
          >{{ t('devices.itsFat', { fat: fixed(measurement.fatPercent, 1) }) }}</span
        >
        <span role="status" :class="{ 'font-bold text-clay': isBad }">{{ said }}</span>
      </div>
      <div class="flex flex-wrap items-center gap-3 pt-3">
        <button v-if="speaks" type="button" class="button" @click="connect">
          {{ t('devices.connect') }}
        </button>
        <ChipButton
          v-for="kind in STAND_INS"
          :key="kind"
          :on="device?.name === t(`devices.standIn.${kind}`)"
          @click="take(kind)"
        >
          {{ t(`devices.standIn.${kind}`) }}
        </ChipButton>
        <button v-if="device" type="button" class="min-h-11 px-2 underline" @click="scale.letGo">
          {{ t('devices.letGo') }}
        </button>
      </div>
      <p v-if="!speaks" class="pt-2 text-faded">{{ t('devices.noBluetooth') }}</p>
      <AlertLine :text="trouble" />
    </section>

    <section class="pb-7" data-test="typing">
      <h2 class="border-b-2 border-ink pb-1 text-2xl">{{ t('devices.typingInstrument') }}</h2>
      <TickBox v-model="types" class="pt-2">{{ t('devices.typesHere') }}</TickBox>
      <p class="pb-3 text-faded">{{ t('devices.howTyping') }}</p>
      <TypedTrial v-if="types" />
    </section>

    <section data-test="stand-ins">
      <h2 class="border-b-2 border-ink pb-1 text-2xl">{{ t('devices.standIns') }}</h2>
      <p class="py-2">{{ t('devices.howStandIns') }}</p>
      <div class="grid gap-x-12 gap-y-6 lg:grid-cols-2">
        <div>
          <h3 class="pb-2 text-xl">{{ t('devices.scaleOrMonitor') }}</h3>
          <StandInScale @steps="stepped" />
        </div>
        <div>
          <h3 class="pb-2 text-xl">{{ t('devices.caliperOrTape') }}</h3>
          <StandInCaliper />
        </div>
      </div>
    </section>
  </main>
</template>

<script setup lang="ts">
import { attempt, massIn, parseMass } from '#core'
import { MONITOR, monitorsFat, play, stepOnMonitor, stepOnScale, type StandIn } from './stand-ins'

/** Somebody to step on the scale and the monitor that stand in. */
const emit = defineEmits<{ steps: [on: StandIn] }>()
const unit = useMassUnit()
const form = reactive({ mass: '', fat: '24', restless: false })
const USUAL_KG = 72.4
watch(unit, () => (form.mass = fixed(massIn(USUAL_KG, unit.value), 1)), { immediate: true })

const problems = ref<{ mass?: string; fat?: string }>({})
let stop: (() => void) | undefined
onBeforeUnmount(() => stop?.())
function stepOn(kind: StandIn) {
  const mass = attempt(() => parseMass(form.mass, unit.value))
  const fat = typedWithin(form.fat, MONITOR.leastFat, MONITOR.mostFat)
  problems.value = {
    ...(!mass.ok && { mass: wordsOf(mass.error) }),
    ...(fat === undefined && { fat: t('devices.fatBounds', { got: form.fat }) }),
  }
  if (!mass.ok || fat === undefined) return
  stop?.()
  emit('steps', kind)
  const { value: kg } = mass.value
  const stands = !form.restless
  const all =
    kind === 'scale'
      ? stepOnScale(kg, stands)
      : stepOnMonitor(kg, monitorsFat(fat, Math.random), stands)
  stop = play(kind, all)
}
</script>

<template>
  <form class="space-y-3" novalidate @submit.prevent="stepOn('scale')">
    <div class="grid grid-cols-2 gap-4">
      <TextField
        id="stand-in-mass"
        v-model="form.mass"
        inputmode="decimal"
        :label="t('devices.weighs', { unit })"
        :error="problems.mass"
      />
      <TextField
        id="stand-in-fat"
        v-model="form.fat"
        inputmode="decimal"
        :label="t('devices.hasFat')"
        :error="problems.fat"
      />
    </div>
    <TickBox v-model="form.restless">{{ t('devices.restless') }}</TickBox>
    <div class="flex flex-wrap gap-3">
      <button type="submit" class="button">{{ t('devices.stepOnScale') }}</button>
      <button type="button" class="button" @click="stepOn('monitor')">
        {{ t('devices.stepOnMonitor') }}
      </button>
    </div>
  </form>
</template>

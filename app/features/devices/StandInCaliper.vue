<script setup lang="ts">
import { dialAt } from '#core'
import { keysOf, typeAway } from './stand-ins'

/** A caliper that closes on a fold which gives way under it, and a tape: both type what they read. */
const form = reactive({ fold: '14.2', girth: '81.4', twice: false })
const problems = ref<{ fold?: string; girth?: string }>({})

/** How a fold gives way: somewhat more at first, at rest within a few seconds. As core's practice has it. */
const GIVES = { share: 1.18, seconds: 1.2 }
const { fold, shown, after, close } = useCreep()
function closeJaws() {
  const settled = typedWithin(form.fold, 2, 80)
  problems.value =
    settled === undefined ? { fold: t('devices.foldBounds', { got: form.fold }) } : {}
  if (settled !== undefined)
    close({ settled, first: settled * GIVES.share, seconds: GIVES.seconds })
}

function send(text: string) {
  typeAway(keysOf(text, performance.now()))
  if (form.twice) typeAway(keysOf(text, performance.now()))
}
const sendFold = () => fold.value && send(dialAt(fold.value, after()).toFixed(1))
function sendGirth() {
  const girth = typedWithin(form.girth, 10, 250)
  problems.value =
    girth === undefined ? { girth: t('devices.girthBounds', { got: form.girth }) } : {}
  if (girth !== undefined) send(girth.toFixed(1))
}
</script>

<template>
  <div class="grid gap-x-6 gap-y-4 sm:grid-cols-[11rem_1fr]">
    <DialFace :shown class="max-sm:max-w-44" />
    <div class="space-y-3">
      <TextField
        id="stand-in-fold"
        v-model="form.fold"
        inputmode="decimal"
        :label="t('devices.foldAtRest')"
        :error="problems.fold"
      />
      <div class="flex flex-wrap gap-3">
        <button type="button" class="button" @click="closeJaws">
          {{ t('devices.closeJaws') }}
        </button>
        <button type="button" class="button" :disabled="!fold" @click="sendFold">
          {{ t('devices.sendFold') }}
        </button>
      </div>
      <TextField
        id="stand-in-girth"
        v-model="form.girth"
        inputmode="decimal"
        :label="t('devices.girthOfTape')"
        :error="problems.girth"
      />
      <button type="button" class="button" @click="sendGirth">{{ t('devices.sendGirth') }}</button>
      <TickBox v-model="form.twice">{{ t('devices.sendTwice') }}</TickBox>
    </div>
  </div>
</template>

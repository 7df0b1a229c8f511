<script setup lang="ts">
import { dialAt, dialScore, practiceFold, READ_AT_SECONDS, type DialTry } from '#core'
import { v4 as newId } from 'uuid'
import type { PracticeForm } from '#shared/contract/studies'

/** A dial whose needle creeps as a fold does under the jaws: read it at two seconds. */
const emit = defineEmits<{ done: [round: PracticeForm] }>()

const TRIES = 10
const STEPS = [
  { value: 'tenth' as const, name: t('practice.toTenth') },
  { value: 'half' as const, name: t('practice.toHalf') },
]
const step = ref<'tenth' | 'half'>('tenth')
const { fold, shown, ...dial } = useCreep()
const stopped = ref<number>()
const text = ref('')
const problem = ref('')
const tries = ref<DialTry[]>([])
const last = ref<DialTry & { stoppedAt: number }>()

function close() {
  if (fold.value && stopped.value === undefined) return read()
  if (stopped.value !== undefined) return
  last.value = undefined
  dial.close(practiceFold(Math.random))
}
const field = useTemplateRef<HTMLInputElement>('field')
/** The moment at which it is read: the needle stands still. */
function read() {
  if (!fold.value) return
  stopped.value = dial.stop()
  void nextTick(() => field.value?.focus())
}

const button = useTemplateRef<HTMLButtonElement>('button')
function take() {
  const typed = typedWithin(text.value, 1, 60)
  if (typed === undefined) {
    problem.value = t('practice.enterMm')
    return
  }
  const one = { truth: dialAt(fold.value!, READ_AT_SECONDS), typed, after: stopped.value! }
  last.value = { ...one, stoppedAt: shown.value }
  tries.value.push(one)
  fold.value = undefined
  stopped.value = undefined
  text.value = ''
  problem.value = ''
  if (tries.value.length === TRIES) finish()
  void nextTick(() => button.value?.focus())
}
const score = computed(() => dialScore(tries.value))
function finish() {
  const { tries: count, error, bias, late } = score.value!
  const typed = step.value === 'tenth' ? tries.value.map((one) => one.typed) : null
  emit('done', { id: newId(), kind: 'dial', tries: count, error, bias, late, typed })
}
/** A round of ten is done. */
const isOver = computed(() => tries.value.length >= TRIES)
function again() {
  tries.value = []
  close()
}
</script>

<template>
  <div class="grid gap-x-10 gap-y-4 sm:grid-cols-[20rem_1fr]">
    <DialFace :shown />
    <div>
      <ChoiceRow v-model="step" :label="t('practice.readTo')" compact :options="STEPS" />
      <p class="py-2">{{ t('practice.howDial') }}</p>
      <form
        v-if="stopped !== undefined"
        class="flex items-end gap-3"
        novalidate
        @submit.prevent="take"
      >
        <div>
          <label for="dial-reads" class="block font-bold">{{ t('practice.itReads') }}</label>
          <input
            id="dial-reads"
            ref="field"
            v-model="text"
            class="field w-28"
            inputmode="decimal"
            autocomplete="off"
            maxlength="5"
            :aria-invalid="!!problem"
            aria-describedby="dial-problem"
          />
        </div>
        <button type="submit" class="button button-lead">{{ t('practice.take') }}</button>
      </form>
      <button
        v-else-if="!isOver"
        ref="button"
        type="button"
        class="button button-lead min-w-40"
        @click="close"
      >
        {{ fold ? t('practice.readNow') : t('practice.closeJaws') }}
      </button>
      <button v-else ref="button" type="button" class="button button-lead" @click="again">
        {{ t('practice.tenMore') }}
      </button>
      <p v-if="problem" id="dial-problem" role="alert" class="pt-2 font-bold text-clay">
        {{ problem }}
      </p>
      <p v-if="last" role="status" class="pt-3 text-lg" data-test="feedback">
        {{
          t('practice.feedback', {
            truth: fixed(last.truth, 1),
            after: fixed(last.after, 1),
            stood: fixed(last.stoppedAt, 1),
            typed: fixed(last.typed, 1),
            off: signed(last.typed - last.truth, 1),
          })
        }}
      </p>
      <p v-if="score" class="pt-2 text-faded" data-test="dial-score">
        {{
          t('practice.dialScore', {
            count: score.tries,
            error: fixed(score.error, 2),
            bias: signed(score.bias, 2),
            when: lateText(score.late),
          })
        }}
      </p>
    </div>
  </div>
</template>

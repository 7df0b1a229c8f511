<script setup lang="ts">
import { v4 as newId } from 'uuid'
import {
  attempt,
  isoDateOf,
  parseGirth,
  parseMass,
  readMessage,
  type GirthId,
  type MessageGirth,
  type MessageQuestion,
  type MessageWeight,
  type Typed,
} from '#core'
import type { WeeklyReport } from '#shared/contract/weekly-reports'
import { weeklyReports as routes } from '~/contract'

/** A message as it came, understood: read back, and asked about where it is open, before it is kept. */
const props = defineProps<{
  clientId: string
  asked: GirthId[]
  lastKg: number | undefined
}>()
const emit = defineEmits<{ changed: [all: WeeklyReport[]] }>()

const today = isoDateOf(new Date())
const mass = useMassUnit()
const length = useLengthUnit()
const text = ref('')
const on = ref(today)
const read = computed(() => {
  if (text.value.trim() === '') return undefined
  const monthFirst = new Intl.Locale(language()).region === 'US'
  return attempt(() =>
    readMessage(text.value, {
      ...{ today: on.value, mass: mass.value, length: length.value, monthFirst },
      ...{ asked: props.asked, lastKg: props.lastKg },
    }),
  )
})
const message = computed(() => (read.value?.ok ? read.value.value : undefined))

/* What was answered, by question: which option, or that it is left out. Days that were not said are chosen. */
type Answer = number | 'left out'
const answers = reactive(new Map<string, Answer>())
const days = reactive(new Map<string, string>())
watch([text, on, mass, length], () => {
  answers.clear()
  days.clear()
})
const keyOf = (question: MessageQuestion) => `${question.about} ${question.text}`
/** Options that are all of them right once each has its day. */
const isList = ({ about }: MessageQuestion) => about === 'which-day' || about === 'day'
const dayOf = (question: MessageQuestion, i: number) => {
  const option = question.options[i]!
  const usual = 'weight' in option ? (option.weight.date ?? '') : ''
  return days.get(`${keyOf(question)} ${i}`) ?? usual
}
const open = computed(() =>
  (message.value?.questions ?? []).filter((question) => !answers.has(keyOf(question))),
)
const weights = computed(() => {
  const all = new Map<string, MessageWeight>()
  for (const weight of message.value?.weights ?? []) all.set(weight.date, weight)
  for (const question of message.value?.questions ?? []) {
    const answer = answers.get(keyOf(question))
    if (answer === undefined || answer === 'left out') continue
    question.options.forEach((option, i) => {
      if (!('weight' in option) || !(isList(question) || i === answer)) return
      const date = isList(question) ? dayOf(question, i) : option.weight.date
      if (date) all.set(date, { ...option.weight, date })
    })
  }
  return [...all.values()].sort((a, b) => a.date.localeCompare(b.date))
})
const girths = computed((): MessageGirth[] => [
  ...(message.value?.girths ?? []),
  ...(message.value?.questions ?? []).flatMap((question) => {
    const answer = answers.get(keyOf(question))
    const option = typeof answer === 'number' ? question.options[answer] : undefined
    return option && 'girth' in option ? [option.girth] : []
  }),
])

/** What was typed, where a form reads it as the message was read; else the figure itself. */
function asTyped<U extends string>(
  value: number,
  typed: string,
  unit: U,
  canonical: U,
  parse: (one: string) => Typed,
) {
  const again = attempt(() => parse(typed))
  const same = again.ok && Math.abs(again.value.value - value) < 1e-6
  return same ? { text: typed, unit } : { text: String(value), unit: canonical }
}

const { trouble, done, busy, submit } = useSubmit()
async function keep() {
  if (open.value.length > 0) {
    trouble.value = t('weeklyReports.answerFirst')
    return
  }
  const trials = new Map<string, number>()
  const body = {
    ...{ id: newId(), endsOn: on.value, way: 'message' as const, message: text.value },
    weights: weights.value.map(({ date, kg, typed, unit }) => {
      const as = unit === 'kg' ? 'kg' : 'lb'
      return { date, ...asTyped(kg, typed, as, 'kg', (one) => parseMass(one, as)) }
    }),
    girths: girths.value.map(({ girth, cm, typed, unit }) => {
      const trial = (trials.get(girth) ?? 0) + 1
      trials.set(girth, trial)
      const as = unit === 'in' ? 'in' : 'cm'
      return { girth, trial, ...asTyped(cm, typed, as, 'cm', (one) => parseGirth(one, as)) }
    }),
    ...{ feelings: {}, note: message.value?.note ?? '' },
  }
  const all = await submit(
    () => callApi(routes.add, { params: { id: props.clientId }, body }),
    t('weeklyReports.messageKept'),
  )
  if (!all) return
  text.value = ''
  emit('changed', all)
}
</script>

<template>
  <form class="space-y-3" novalidate data-test="message" @submit.prevent="keep">
    <FieldRow
      id="message"
      :label="t('weeklyReports.pasteMessage')"
      :hint="t('weeklyReports.pasteHint')"
    >
      <textarea id="message" v-model="text" class="field" rows="4" />
    </FieldRow>
    <div class="flex flex-wrap items-end gap-3">
      <TextField
        id="message-on"
        v-model="on"
        :label="t('weeklyReports.writtenOn')"
        type="date"
        :max="today"
      />
      <MassUnitChoice />
    </div>
    <p v-if="read && !read.ok" class="border-l-4 border-clay pl-3">{{ wordsOf(read.error) }}</p>
    <div v-else-if="message" class="border-l-4 border-leaf pl-3" data-test="understood">
      <p v-if="weights.length">
        <template v-for="(day, i) in weights" :key="day.date"
          ><template v-if="i"> · </template>{{ reportDay(day.date) }}
          <strong>{{ formatMass(day.kg, mass) }}</strong></template
        >
      </p>
      <p v-for="(one, i) in girths" :key="i">
        {{ nameOf(one.girth) }} <strong>{{ formatAsTyped(one.cm, one.unit) }}</strong>
      </p>
      <p v-if="message.note" class="text-faded">{{ message.note }}</p>
    </div>
    <ul v-if="message?.questions.length" class="space-y-3" data-test="questions">
      <li v-for="question in message.questions" :key="keyOf(question)" class="caution space-y-2">
        <p>
          <strong>{{ tell(question.said) }}</strong>
        </p>
        <div class="flex flex-wrap items-end gap-2">
          <template v-for="(option, i) in question.options" :key="i">
            <template v-if="isList(question) && 'weight' in option">
              <TextField
                :id="`day-${keyOf(question)}-${i}`"
                :model-value="dayOf(question, i)"
                :label="formatMass(option.weight.kg, mass)"
                type="date"
                :max="on"
                @update:model-value="(day) => days.set(`${keyOf(question)} ${i}`, day ?? '')"
              />
            </template>
            <button
              v-else
              type="button"
              class="button"
              :class="{ 'border-leaf! bg-white!': answers.get(keyOf(question)) === i }"
              @click="answers.set(keyOf(question), i)"
            >
              {{
                'weight' in option
                  ? formatMass(option.weight.kg, mass)
                  : formatAsTyped(option.girth.cm, option.girth.unit)
              }}
            </button>
          </template>
          <button
            v-if="isList(question) && question.options.length"
            type="button"
            class="button"
            @click="answers.set(keyOf(question), 0)"
          >
            {{ t('weeklyReports.takeDays') }}
          </button>
          <button
            type="button"
            class="button"
            :class="{ 'border-leaf! bg-white!': answers.get(keyOf(question)) === 'left out' }"
            @click="answers.set(keyOf(question), 'left out')"
          >
            {{ t('weeklyReports.leaveOut') }}
          </button>
        </div>
      </li>
    </ul>
    <AlertLine :text="trouble" />
    <div class="flex items-center gap-4">
      <button type="submit" class="button button-lead" :disabled="busy || !message">
        {{ t('weeklyReports.keepMessage') }}
      </button>
      <span role="status">{{ done }}</span>
    </div>
  </form>
</template>

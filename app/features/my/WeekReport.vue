<script setup lang="ts">
import { isoDateOf } from '#core'
import type { MyPage } from '#shared/contract/client-side'
import { keepOnPhone, keptOnPhone } from './my-store'
import {
  broughtTo,
  emptyDraft,
  girthTyped,
  isEmpty,
  massTyped,
  type ReportDraft,
} from './report-draft'

/** The weekly report: what is asked for, as it is typed kept on the phone, and sent when it is whole. */
const props = defineProps<{ page: MyPage; units: ReportDraft['units']; busy: boolean }>()
const emit = defineEmits<{ send: [draft: ReportDraft] }>()

const today = isoDateOf(new Date())
const draft = ref<ReportDraft>()
onMounted(async () => {
  const kept = await keptOnPhone('draft')
  const fresh = emptyDraft(today, props.page.asks, props.units)
  draft.value = kept && !isEmpty(kept) ? broughtTo(fresh, kept) : fresh
})
watch(draft, (now) => now && !isEmpty(now) && void keepOnPhone('draft', now), { deep: true })

const massError = (text: string) => {
  if (text.trim() === '' || !draft.value) return undefined
  const read = massTyped(text, draft.value.units.mass)
  return read.ok ? undefined : wordsOf(read.error)
}
const different = ref<string>()
const SCALE = ['1', '2', '3', '4', '5'].map((value) => ({ value, name: value }))
const SCALED = ['sleep', 'hunger'] as const
const COUNTED = ['steps', 'sessions'] as const
type Feeling = (typeof SCALED)[number] | (typeof COUNTED)[number]
const asked = <T extends Feeling>(names: readonly T[]) =>
  names.filter((name) => props.page.asks?.feelings.includes(name))
const felt = (name: Feeling) => String(draft.value?.feelings[name] ?? '')
function feel(name: Feeling, value = '') {
  const figures = value.replace(/\D/g, '')
  draft.value!.feelings[name] = value.trim() === '' ? undefined : Number(figures)
}

const trouble = ref('')
function send() {
  const now = draft.value!
  const wrong =
    now.weights.some(({ text }) => massError(text)) ||
    now.girths.some(({ girth, texts }) =>
      texts.some((text) => text.trim() !== '' && !girthTyped(text, now.units.length, girth).ok),
    )
  trouble.value = wrong ? t('my.mendFirst') : isEmpty(now) ? t('my.nothingYet') : ''
  if (!trouble.value) emit('send', now)
}
const coach = computed(() => firstName(props.page.coach))
</script>

<template>
  <form v-if="draft" class="space-y-6" novalidate data-test="week" @submit.prevent="send">
    <header>
      <p class="text-faded">{{ t('my.from', { coach: page.coach }) }}</p>
      <h2 class="text-[34px]">{{ t('my.yourWeek', { name: page.firstName }) }}</h2>
    </header>
    <section>
      <h3 class="text-xl">{{ t('my.weight') }}</h3>
      <p class="pb-1 text-faded">{{ t('my.weightHow') }}</p>
      <div v-for="day in draft.weights" :key="day.date" class="border-b border-line py-1.5">
        <div class="grid grid-cols-[1fr_auto_7.5rem] items-center gap-x-3">
          <label :for="`kg-${day.date}`"
            >{{ weekdayText(day.date) }} {{ formatDate(day.date) }}</label
          >
          <button
            type="button"
            class="min-h-11 px-1 text-sm text-faded underline"
            :aria-expanded="different === day.date"
            @click="different = different === day.date ? undefined : day.date"
          >
            {{ day.otherwise ? t('my.wasDifferent') : t('my.different') }}
            <span class="sr-only">{{ formatDate(day.date) }}</span>
          </button>
          <input
            :id="`kg-${day.date}`"
            v-model="day.text"
            class="field figure text-right text-[24px]!"
            inputmode="decimal"
            autocomplete="off"
            :placeholder="draft.units.mass"
            :aria-invalid="massError(day.text) ? true : undefined"
          />
        </div>
        <p v-if="massError(day.text)" role="alert" class="font-bold text-clay">
          {{ massError(day.text) }}
        </p>
        <TextField
          v-if="different === day.date"
          :id="`otherwise-${day.date}`"
          v-model="day.otherwise"
          :label="t('my.whatDifferent')"
        />
      </div>
    </section>
    <section v-if="draft.girths.length">
      <h3 class="text-xl">{{ t('my.tape') }}</h3>
      <p class="text-faded">{{ t('my.tapeHow') }}</p>
      <GirthFields
        v-for="one in draft.girths"
        :key="one.girth"
        v-model="one.texts"
        :girth="one.girth"
        :unit="draft.units.length"
        :sex="page.sex"
        :last="page.lastGirths.find(({ girth }) => girth === one.girth)?.cm"
        :note="page.siteNotes.find(({ site }) => site === one.girth)"
      />
      <TextField
        id="girths-otherwise"
        v-model="draft.girthsOtherwise"
        class="pt-2"
        :label="t('my.tapeDifferent')"
      />
    </section>
    <PhotoShots v-if="page.asks?.photos" v-model="draft.photos" :last="page.photos" />
    <section v-if="page.asks?.feelings.length" class="space-y-3">
      <h3 class="text-xl">{{ t('my.howWeekWent') }}</h3>
      <ChoiceRow
        v-for="name in asked(SCALED)"
        :key="name"
        :model-value="felt(name)"
        :label="t(`my.${name}`)"
        :options="SCALE"
        compact
        @update:model-value="(value) => feel(name, value)"
      />
      <TextField
        v-for="name in asked(COUNTED)"
        :id="name"
        :key="name"
        :model-value="felt(name)"
        :label="t(`my.${name}`)"
        inputmode="numeric"
        @update:model-value="(value) => feel(name, value)"
      />
    </section>
    <FieldRow id="my-note" :label="t('my.note')">
      <textarea id="my-note" v-model="draft.note" class="field" rows="3" />
    </FieldRow>
    <AlertLine :text="trouble" />
    <button type="submit" class="button button-lead w-full" :disabled="busy">
      {{ coach ? t('my.sendTo', { coach }) : t('my.send') }}
    </button>
    <p class="text-faded">{{ t('my.keptHere') }}</p>
  </form>
</template>

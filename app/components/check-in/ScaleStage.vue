<script setup lang="ts">
import { attempt, formatDate, formatMass, parseMass, type MassUnit } from '#core'

const emit = defineEmits<{ done: [] }>()

const store = useCheckInStore()
const { lastMass, sheet } = storeToRefs(store)
const unit = useMassUnit()

const text = ref('')
const problem = ref('')
const field = useTemplateRef<HTMLInputElement>('field')
onMounted(() => field.value?.focus())

const units = [
  { value: 'kg', name: 'kg' },
  { value: 'lb', name: 'lb' },
] as { value: MassUnit; name: string }[]

const now = computed(() => sheet.value?.subject.massKg)

function onEnter() {
  if (text.value.trim() === '' && now.value !== undefined) return emit('done')
  const parsed = attempt(() => parseMass(text.value, unit.value))
  if (!parsed.ok) {
    problem.value = parsed.error.message
    return
  }
  const { value, unit: as, text: typed } = parsed.value
  store.record({ kind: 'mass', site: null, school: null, pass: 1, value, unit: as, typed })
  text.value = ''
  problem.value = ''
  if (!finding.value) emit('done')
}

/** What is found about the body mass that stands: asked once, here, before the result. */
const finding = computed(() => store.findings.find(({ sites }) => sites.includes('mass')))
const offer = computed(() => {
  const value = finding.value?.offers[0]?.value
  return value === undefined ? '' : formatMass(value, unit.value)
})

function accept() {
  if (finding.value) store.accept(finding.value)
  emit('done')
}

function onKey(event: KeyboardEvent) {
  if (text.value !== '' || event.key.toLowerCase() !== 'a' || !finding.value?.offers.length) return
  event.preventDefault()
  accept()
}
</script>

<template>
  <form class="mx-auto w-full max-w-3xl px-4 py-6 sm:py-10" novalidate @submit.prevent="onEnter">
    <p class="text-faded">Scale</p>
    <h2 class="text-[44px] sm:text-[68px]">Body mass</h2>
    <p class="text-lg">
      Barefoot, light clothes or the same as last time. Best in the morning, before eating or
      drinking.
    </p>
    <div class="flex flex-wrap items-end gap-x-5 gap-y-4 pt-6">
      <label for="mass" class="sr-only">Body mass in {{ unit }}</label>
      <input
        id="mass"
        ref="field"
        v-model="text"
        autocomplete="off"
        enterkeyhint="done"
        maxlength="20"
        class="figure h-[110px] w-[260px] border-0 border-b-[6px] border-ink bg-board px-3 text-right text-[80px] leading-none sm:h-[164px] sm:w-[400px] sm:text-[130px]"
        :aria-invalid="!!problem"
        aria-describedby="mass-problem"
        @keydown="onKey"
      />
      <ChoiceRow v-model="unit" label="Unit of the scale" hide-label :options="units" />
      <dl class="flex items-baseline gap-x-5 pb-2">
        <template v-if="now !== undefined">
          <dt class="text-faded">Now</dt>
          <dd class="figure text-[28px]">{{ formatMass(now, unit) }}</dd>
        </template>
        <template v-if="lastMass !== undefined">
          <dt class="text-faded">Last time, {{ formatDate(lastMass.measuredOn) }}</dt>
          <dd class="figure text-[28px]">{{ formatMass(lastMass.massKg, unit) }}</dd>
        </template>
      </dl>
    </div>
    <p
      v-if="problem"
      id="mass-problem"
      role="alert"
      class="mt-4 border-2 border-l-8 border-clay bg-clay-wash px-4 py-3"
    >
      {{ problem }}
    </p>
    <FindingLine
      v-if="finding"
      :finding="finding"
      :offer="offer"
      @accept="accept"
      @again="field?.focus()"
    />
    <p class="pt-6 text-faded"><kbd class="key">Enter</kbd> reads the sheet back</p>
  </form>
</template>

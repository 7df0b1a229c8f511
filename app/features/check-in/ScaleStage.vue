<script setup lang="ts">
import {
  ADULT,
  leastAgeOf,
  attempt,
  equationById,
  leadEquation,
  lengthIn,
  massIn,
  parseHeight,
  parseMass,
  readingsInForce,
  type Typed,
  type TypedUnit,
  variantFor,
} from '#core'
import type { SentMeasurement } from '~/features/devices/useBodyDevice'

const emit = defineEmits<{ done: [] }>()

const store = useCheckInStore()
const { view, client, checkIn, protocol, lastMass, sheet, heightCm, readings } = storeToRefs(store)
const massUnit = useMassUnit()
const lengthUnit = useLengthUnit()
const { say } = useVoice()
const scale = useBodyDevice()

/**
 * Height is asked for first of those who may still grow, and where the equation counts it and none is on record; of
 * others on request.
 */
const HEIGHT_TRIALS = 3
const growing = (leastAgeOf(client.value!, checkIn.value!.measuredOn) ?? ADULT) < ADULT
const lead = leadEquation(protocol.value, client.value!.sex)
const counted =
  lead !== undefined && variantFor(equationById(lead), client.value!.sex).needs.includes('heightCm')
const wanted = growing || (counted && client.value!.heightCm === null)
/** What food and water alone move body mass by within a day, or more: common practice, no source. */
const A_DAYS_WATER_KG = 1
const part = ref<'height' | 'mass'>(wanted && heightCm.value === undefined ? 'height' : 'mass')

const text = ref('')
useHalfTyped(
  'scale',
  text,
  () => part.value,
  (box) => {
    part.value = box === 'height' ? 'height' : 'mass'
    return true
  },
)
const problem = ref('')
const field = useTemplateRef<HTMLInputElement>('field')
const focus = () => void nextTick(() => field.value?.focus())
onMounted(focus)
watch(part, () => {
  text.value = ''
  problem.value = ''
  focus()
})

const pad = useKeypad()
/** Feet and inches, and fractions of a pound, are typed with signs of their own. */
const signs = computed(() => {
  if (part.value === 'height') return lengthUnit.value === 'in' ? ["'", '"'] : []
  return massUnit.value === 'lb' ? INCH_SIGNS : []
})

const now = computed(() => sheet.value?.subject.massKg)
const heights = computed(() =>
  readingsInForce(readings.value).filter(({ kind }) => kind === 'height'),
)
const heightOnRecord = computed(() => {
  const { heightCm: cm, heightUnit } = client.value!
  return cm === null ? undefined : formatAsTyped(cm, (heightUnit ?? 'cm') as TypedUnit)
})

function record(
  kind: 'mass' | 'height',
  trial: number,
  { value, unit: typedUnit, text: typedText }: Typed,
  sentBy: string | null = null,
) {
  store.record({ kind, site: null, standard: null, trial, value, typedUnit, typedText, sentBy })
  text.value = ''
  problem.value = ''
}

/** What a scale put into the field: it is the scale's for as long as nobody has changed it. */
const sent = ref<{ text: string; by: string }>()
function onSent({ massKg, device }: SentMeasurement) {
  part.value = 'mass'
  // After the field of the height gave way, which empties it.
  void nextTick(() => {
    text.value = fixed(massIn(massKg, massUnit.value), 2)
    sent.value = { text: text.value, by: device }
    focus()
  })
}

function onEnter() {
  if (part.value === 'height') return onHeight()
  if (text.value.trim() === '' && now.value !== undefined) return emit('done')
  const parsed = attempt(() => parseMass(text.value, massUnit.value))
  if (!parsed.ok) {
    problem.value = wordsOf(parsed.error)
    return
  }
  record('mass', 1, parsed.value, text.value === sent.value?.text ? sent.value.by : null)
  say(fixed(massIn(parsed.value.value, massUnit.value), 1))
  if (!finding.value) emit('done')
}

/** Three heights, then the scale. An empty Enter leaves it at what is there. */
function onHeight() {
  if (text.value.trim() === '') return void (part.value = 'mass')
  const parsed = attempt(() => parseHeight(text.value))
  if (!parsed.ok) {
    problem.value = wordsOf(parsed.error)
    return
  }
  const free = [1, 2, 3].find((p) => !heights.value.some(({ trial }) => trial === p)) ?? 1
  record('height', free, parsed.value)
  say(fixed(lengthIn(parsed.value.value, lengthUnit.value), 1))
  if (heights.value.length >= HEIGHT_TRIALS && !heightFinding.value) part.value = 'mass'
}

/** What is found about the body mass or height that stands: asked once, here, before the result. */
const heightFinding = computed(() => store.findings.find(({ sites }) => sites.includes('height')))
const finding = computed(() =>
  part.value === 'height'
    ? heightFinding.value
    : store.findings.find(({ sites }) => sites.includes('mass')),
)
const show = (value: number | undefined) => {
  if (value === undefined) return ''
  return part.value === 'height'
    ? formatLength(value, lengthUnit.value)
    : formatMass(value, massUnit.value)
}
const offer = computed(() => show(finding.value?.suggestions[0]?.value))
const other = computed(() => show(finding.value?.suggestions[0]?.second))

/** Takes what is offered, or the other value that fits as well. */
function accept(which: 'value' | 'second' = 'value') {
  const [offered] = finding.value?.suggestions ?? []
  if (offered) store.accept({ suggestions: [{ ...offered, value: offered[which]! }] })
  if (part.value === 'height') part.value = 'mass'
  else emit('done')
}

function onKey(event: KeyboardEvent) {
  if (text.value !== '' || event.ctrlKey || event.metaKey || event.altKey) return
  const key = event.key.toLowerCase()
  if (key === 'a' && offer.value) accept()
  else if (key === 'o' && other.value) accept('second')
  else if (key === 'h' && part.value === 'mass') part.value = 'height'
  else if (key === 'd' && part.value === 'mass') dry.value = !dry.value
  else return
  event.preventDefault()
}

/** Dry: after the toilet, before eating or drinking, same clothes or none. */
const dry = computed({
  get: () => checkIn.value!.massDry ?? false,
  set: (massDry) => store.updateCheckIn({ massDry }),
})
const wasDry = computed(() => view.value!.earlier[0]?.massDry ?? null)
const unlike = computed(
  () => checkIn.value!.massDry !== null && wasDry.value !== null && wasDry.value !== dry.value,
)
</script>

<template>
  <form
    class="mx-auto flex w-full max-w-3xl flex-col beside-dock px-4 py-6 low:py-2! sm:py-10"
    novalidate
    @submit.prevent="onEnter"
  >
    <template v-if="part === 'height'">
      <p class="text-faded">
        {{
          t('checkIn.heightReading', {
            reading: heights.length + 1,
            of: HEIGHT_TRIALS,
          })
        }}
      </p>
      <h2 class="text-[44px] low:text-[30px]! sm:text-[68px]">{{ t('checkIn.height') }}</h2>
      <p class="text-lg">
        {{ t('checkIn.barefootHeelsWallLookingStraight') }}
      </p>
    </template>
    <template v-else>
      <p class="text-faded">{{ t('checkIn.scale') }}</p>
      <h2 class="text-[44px] low:text-[30px]! sm:text-[68px]">{{ t('checkIn.weight') }}</h2>
      <p class="text-lg" :class="{ 'max-sm:hidden': scale.device }">
        {{ t('checkIn.barefootLightClothesOrSame') }}
      </p>
    </template>
    <div class="flex flex-wrap items-end gap-x-5 gap-y-4 pt-6 max-sm:order-1 max-sm:pt-3">
      <label for="mass" class="sr-only">
        {{ part === 'height' ? t('checkIn.height') : t('checkIn.weightIn', { unit: massUnit }) }}
      </label>
      <input
        id="mass"
        ref="field"
        v-model="text"
        :inputmode="pad ? 'none' : 'decimal'"
        autocomplete="off"
        enterkeyhint="done"
        maxlength="20"
        class="figure h-[110px] w-[260px] border-0 border-b-[6px] border-ink bg-board px-3 text-right text-[80px] leading-none low:h-[84px]! low:w-[220px]! low:text-[64px]! sm:h-[164px] sm:w-[400px] sm:text-[130px]"
        :aria-invalid="!!problem"
        aria-describedby="mass-problem"
        @keydown="onKey"
      />
      <ChoiceRow
        v-if="part === 'mass'"
        v-model="massUnit"
        :label="t('checkIn.unitScale')"
        hide-label
        :options="MASS_UNITS"
      />
      <ChoiceRow
        v-else
        v-model="lengthUnit"
        :label="t('checkIn.unitShown')"
        hide-label
        :options="LENGTH_UNITS"
      />
      <dl class="grid grid-cols-[auto_auto] items-baseline gap-x-5 pb-2">
        <template v-if="part === 'mass'">
          <template v-if="now !== undefined">
            <dt class="text-faded">{{ t('checkIn.now') }}</dt>
            <dd class="figure text-[28px]">{{ formatMass(now, massUnit) }}</dd>
          </template>
          <template v-if="lastMass !== undefined">
            <dt class="text-faded">
              {{ t('checkIn.lastTimeMeasuredon', { measuredOn: formatDate(lastMass.measuredOn) }) }}
            </dt>
            <dd class="figure text-[28px]">{{ formatMass(lastMass.massKg, massUnit) }}</dd>
          </template>
        </template>
        <template v-else>
          <template v-for="(height, i) in heights" :key="height.id">
            <dt class="text-faded">{{ i + 1 }}</dt>
            <dd class="figure text-[28px]">{{ formatLength(height.value, lengthUnit) }}</dd>
          </template>
          <template v-if="heightCm !== undefined">
            <dt class="text-faded">{{ t('checkIn.mean') }}</dt>
            <dd class="figure text-[28px]" data-test="height-mean">
              {{ formatLength(heightCm, lengthUnit, 2) }}
            </dd>
          </template>
          <template v-if="heightOnRecord">
            <dt class="text-faded">{{ t('checkIn.record') }}</dt>
            <dd class="figure text-[28px]">{{ heightOnRecord }}</dd>
          </template>
        </template>
      </dl>
    </div>
    <p v-if="problem" id="mass-problem" role="alert" class="mt-4 caution max-sm:order-1">
      {{ problem }}
    </p>
    <ScaleDevice v-if="part === 'mass'" @sent="onSent" />
    <FindingLine
      v-if="finding"
      class="max-sm:order-1"
      :finding
      :offer
      :other
      @accept="accept"
      @again="field?.focus()"
    />
    <div v-if="part === 'mass'" class="flex flex-wrap items-center gap-3 pt-6 max-sm:order-1">
      <button type="button" class="button" :aria-pressed="dry" @click="dry = !dry">
        <kbd class="key mr-2">D</kbd>{{ dry ? t('checkIn.weighedDry') : t('checkIn.weighedDry2') }}
      </button>
      <button type="button" class="button" @click="part = 'height'">
        <kbd class="key mr-2">H</kbd>{{ t('checkIn.measureHeight') }}
      </button>
      <span v-if="heightCm !== undefined" class="text-faded">
        {{
          t('checkIn.heightMean', {
            height: formatLength(heightCm, lengthUnit),
            count: heights.length,
          })
        }}
      </span>
      <span v-else-if="heightOnRecord" class="text-faded">
        {{ t('checkIn.heightOnRecord', { height: heightOnRecord }) }}
      </span>
      <span v-else class="text-faded">{{ t('checkIn.heightMissing') }}</span>
    </div>
    <p v-if="part === 'mass' && unlike" class="pt-2 text-clay max-sm:order-1">
      {{
        t(dry ? 'checkIn.dryOnlyNow' : 'checkIn.dryOnlyBefore', {
          mass: formatMass(A_DAYS_WATER_KG, massUnit, 0),
        })
      }}
    </p>
    <div class="flex flex-wrap gap-3 pt-6 max-sm:order-1">
      <button type="submit" class="button button-lead">
        <kbd class="key mr-2">{{ t('checkIn.enter') }}</kbd>
        {{ part === 'mass' ? t('checkIn.readSheetBack') : t('checkIn.takeEmptyScale') }}
      </button>
      <button v-if="part === 'height'" type="button" class="button" @click="part = 'mass'">
        {{ t('checkIn.scale2') }}
      </button>
    </div>
  </form>
  <div v-if="pad" class="dock">
    <KeyPad
      :signs
      :action="text === '' ? t('checkIn.padNext') : undefined"
      @type="text += $event"
      @back="text = text.slice(0, -1)"
      @enter="onEnter"
    />
  </div>
</template>

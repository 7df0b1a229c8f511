<script setup lang="ts">
import { readingsInForce, schemeOf, thrownAwayIn, trialsOf, type GirthId, type SiteId } from '#core'
import type { SkipReason } from '#shared/contract/choices'
import type { SiteKind } from '~/features/check-in/useSiteEntry'

const props = defineProps<{ kind: SiteKind }>()
const emit = defineEmits<{ done: [] }>()
const store = useCheckInStore()
const rehearse = useRehearsal()
const { protocol, last } = storeToRefs(store)
const { sites, scheme, sumSoFar, sinceLast, shownUnit, show } = useSiteSheet(props.kind)
const {
  text,
  problem,
  meant,
  step,
  before,
  trials,
  apart,
  finding,
  offer,
  other,
  skipped,
  ...act
} = useSiteEntry(props.kind, show)
const { openBox } = act
/** Seconds to the reading; none for a caliper read at its click. */
const delay = computed(() => protocol.value.readingDelaySeconds?.[1])
const cue = useReadCue(() => delay.value ?? 0)
const { state: cueState, choice: cueChoice } = cue
const unit = useLengthUnit()

const pad = useKeypad()
/** The sheet is drawn while it is looked at: a reading waits for nothing that nobody sees. */
const sheetOpen = ref(false)

const field = useTemplateRef<HTMLInputElement>('field')
const focus = () => void nextTick(() => field.value?.focus())
onMounted(() => {
  focus()
  afterPaint(() => rehearse(step.value))
})
watch(step, focus)

const { landmark, spot, mark, side, others } = useSiteLandmark(props.kind, step, sites)
const allowed = computed(() => {
  const { kind: by, value } = schemeOf(protocol.value, step.value!.site).tolerance
  return by === 'percent' ? `${value}%` : `${value} ${by}`
})

/** Round by round it is a pass over all sites; one site at a time it is a reading of this one. */
const whichReading = computed(() => {
  const { trial } = step.value!
  if (trial === 0) return t('checkIn.firstReadingThrownAway')
  return scheme.value.order === 'rounds'
    ? t('checkIn.round', { round: trial })
    : t('checkIn.readingTrial', { trial })
})

/** Something is said about a reading, or the read cue runs. */
const noticed = computed(
  () =>
    [problem.value, finding.value, apart.value, skipped.value, sent.value].some(Boolean) ||
    cueState.value !== 'idle',
)

const speaking = useVoiceChoice()
const asking = ref<'keys' | 'skip' | 'site' | 'figure' | 'girth'>()
function addGirth(girth: GirthId) {
  store.updateCheckIn({ extraGirths: { [girth]: true } })
  goTo(girth)
}
function close() {
  asking.value = undefined
  focus()
}

function onEnter() {
  act.enter()
  cue.stop()
  // Readings that disagree are to be measured again before the stage is left; the rest waits for the review.
  if (!step.value && !problem.value && finding.value?.kind !== 'apart') emit('done')
  return problem.value === ''
}

const sent = act.instrument.listen(onEnter)

function skip(reason: SkipReason) {
  act.skip(reason)
  close()
  if (!step.value) emit('done')
}

function goTo(site: SiteId) {
  if (store.skipped.some((s) => s.site === site)) store.skip(site, null)
  const { count, dropsFirst } = schemeOf(protocol.value, site)
  const taken = trialsOf(store.readings, site, protocol.value).filter((t) => t !== undefined)
  const inForce = readingsInForce(store.readings)
  const first = dropsFirst && !taken.length && !thrownAwayIn(inForce, site, protocol.value)
  openBox({ site, trial: first ? 0 : Math.min(taken.length + 1, count) })
  close()
}

/** One key each. They work while the field is empty, so that they never stand in the way of a number. */
const KEYS: Record<string, { does: string; run: () => void }> = {
  a: { does: t('checkIn.takeValueOffered'), run: () => act.accept() },
  o: { does: t('checkIn.takeOtherValueOffered'), run: () => act.accept('second') },
  r: { does: t('checkIn.measureWhatAskedAboutAgain'), run: act.again },
  s: { does: t('checkIn.skipThisSiteReason'), run: () => (asking.value = 'skip') },
  g: { does: t('checkIn.goSite'), run: () => (asking.value = 'site') },
  u: { does: t('checkIn.undoLastReading'), run: act.undo },
  ...(delay.value && props.kind === 'folds'
    ? { ' ': { does: t('checkIn.readCueStartWhenJaws'), run: cue.start } }
    : {}),
  ...(props.kind === 'tape'
    ? { x: { does: t('checkIn.takeAnotherGirth'), run: () => (asking.value = 'girth') } }
    : {}),
  ...(props.kind === 'folds'
    ? {
        j: { does: t('checkIn.jawsNotParallelSkip'), run: () => skip('jaws not parallel') },
        b: { does: t('checkIn.beyondCaliperSkip'), run: () => skip('beyond the caliper') },
      }
    : {}),
  '?': { does: t('checkIn.theseKeys'), run: () => (asking.value = 'keys') },
}

function onKey(event: KeyboardEvent) {
  if (event.ctrlKey || event.metaKey || event.altKey) return
  const key = event.key.toLowerCase()
  const refusedOffer = (key === 'a' || (key === 'o' && other.value)) && meant.value
  if (text.value !== '' && !refusedOffer) return
  if (key === 'backspace') {
    event.preventDefault()
    act.back()
  } else if (KEYS[key]) {
    event.preventDefault()
    KEYS[key].run()
  }
}

/** The keypad types where the cursor would: at the end. */
function backOnPad() {
  if (text.value === '') act.back()
  else text.value = text.value.slice(0, -1)
}
</script>

<template>
  <div class="grid flex-1 lg:grid-cols-[290px_1fr_352px]" :class="{ 'beside-dock': step }">
    <FigurePanel
      v-if="!pad && landmark"
      :spot
      :others
      :side
      :build="store.client!.sex"
      :name="landmark.name"
      :label="figureLabel(landmark.name, landmark.text, side, spot)"
    >
      <p class="flex justify-between gap-3">
        <span>{{ landmark.caption }}</span>
        <span class="whitespace-nowrap">{{
          t('checkIn.siteCount', { site: sites.indexOf(step!.site) + 1, count: sites.length })
        }}</span>
      </p>
    </FigurePanel>

    <section
      v-if="step && landmark"
      class="flex flex-col px-4 py-3 low:px-4! low:py-2! sm:px-10 sm:py-8"
    >
      <div class="flex gap-4">
        <div class="flex min-w-0 flex-1 flex-col">
          <p class="text-faded low:order-1">
            {{
              t('checkIn.whichreadingSiteSiteCountWhat', {
                whichReading,
                site: sites.indexOf(step.site) + 1,
                count: sites.length,
                what: landmark.what,
              })
            }}
            <AboutTerm v-if="scheme.order === 'rounds'" term="round" />
          </p>
          <h2
            class="pb-1 text-[40px] low:text-[30px]! sm:text-[68px]"
            :class="{ 'max-sm:text-[30px]!': noticed }"
            data-test="site"
          >
            {{ landmark.name }}
          </h2>
          <p
            class="max-w-xl text-lg low:order-1 max-sm:text-base max-sm:leading-snug low:text-base! low:leading-snug!"
            :class="{ 'max-sm:hidden': noticed }"
          >
            {{ landmark.text }}
          </p>
          <p
            v-if="mark?.text || side === 'left'"
            class="pt-1 text-lg text-leaf low:order-1"
            :class="{ 'max-sm:hidden': noticed }"
            data-test="own-mark"
          >
            <strong>{{ side === 'left' ? t('checkIn.leftSide') : t('checkIn.siteNote') }}</strong>
            {{ mark?.text || t('checkIn.asBefore') }}
          </p>
        </div>
        <SiteFigureButton
          v-if="spot"
          :spot
          :side
          :build="store.client!.sex"
          :small="noticed"
          @open="asking = 'figure'"
        />
      </div>

      <form
        class="flex flex-wrap items-end gap-x-5 gap-y-2 pt-3 max-sm:order-2 sm:gap-y-3 sm:pt-6"
        novalidate
        @submit.prevent="onEnter"
      >
        <label for="reading" class="sr-only">
          {{
            t('checkIn.nameTrialTrialShownunit', {
              name: landmark.name,
              trial: step.trial,
              shownUnit,
            })
          }}
        </label>
        <input
          id="reading"
          ref="field"
          v-model="text"
          :inputmode="pad ? 'none' : 'decimal'"
          enterkeyhint="next"
          autocomplete="off"
          maxlength="12"
          class="figure h-[92px] w-[210px] max-sm:scroll-mb-[25rem] border-0 border-b-[6px] border-ink bg-board px-3 text-right caret-leaf text-[80px] leading-none low:h-[84px]! low:w-[170px]! low:text-[70px]! sm:h-[164px] sm:w-[330px] sm:text-[150px]"
          :aria-invalid="!!problem"
          aria-describedby="reading-problem"
          @keydown="onKey"
        />
        <span v-if="kind === 'folds'" class="figure pb-2 text-[40px] text-faded">mm</span>
        <ChoiceRow
          v-else
          v-model="unit"
          :label="t('checkIn.unitTape')"
          hide-label
          :options="LENGTH_UNITS"
        />
        <SiteBefore :step :before :trials :order="scheme.order" :last="last[step.site]" :show />
      </form>
      <!-- On a phone in the place of the landmark, above the number: under it is the keypad. -->
      <div class="max-sm:order-1" data-test="notices">
        <RefusedLine
          v-if="problem"
          id="reading-problem"
          :problem
          :offer="meant ? offer : ''"
          :other="meant && other"
          @accept="act.accept"
        />
        <FindingLine
          v-if="!problem && finding"
          :finding
          :offer
          :other
          @accept="act.accept"
          @again="act.again"
        />
        <p v-if="!problem && apart" role="status" data-test="apart" class="mt-2 sm:mt-4 caution">
          <strong>{{ t('checkIn.apart', { apart: show(apart), unit: shownUnit }) }}</strong>
          {{ t('checkIn.moreThanAllowed', { allowed }) }}
        </p>
        <SentLine v-if="!problem" :sent class="pt-2" />
        <SkippedLine v-if="skipped" :skipped @undo="act.undo" />
        <ReadCue :state="cueState" :ring="cueChoice.ring" :seconds="delay ?? 0" />
      </div>
      <details
        v-if="pad"
        class="mt-3 max-sm:order-3"
        @toggle="sheetOpen = ($event.target as HTMLDetailsElement).open"
      >
        <summary class="min-h-11 py-2 font-bold">{{ t('checkIn.sheet') }}</summary>
        <SiteStrip v-if="sheetOpen" :kind :step @pick="openBox" />
      </details>
    </section>
    <SitesDone
      v-else
      :kind
      :finding
      :offer
      :other
      :skipped
      @keydown="onKey"
      @undo="act.undo"
      @done="emit('done')"
      @girth="asking = 'girth'"
      @accept="act.accept"
      @again="act.again"
    />

    <aside v-if="!pad" class="border-l border-line bg-board px-4 py-5">
      <SiteSheet :kind :step @pick="openBox" />
    </aside>
  </div>
  <KeyHints v-if="!pad" :kind :delay />
  <div v-if="step" class="dock lg:bg-transparent!">
    <RunningSum v-if="pad && kind === 'folds'" line :sum="sumSoFar" :since="sinceLast" />
    <SitePad
      v-if="pad"
      :kind
      :delay
      :inches="kind !== 'folds' && unit === 'in'"
      @type="text += $event"
      @back="backOnPad"
      @enter="onEnter"
      @ask="asking = $event"
      @cue="cue.start"
    />
  </div>

  <KeysDialog
    v-model:sound="cueChoice.sound"
    v-model:ring="cueChoice.ring"
    v-model:speaking="speaking"
    :open="asking === 'keys'"
    :keys="KEYS"
    @close="close"
  />
  <LandmarkDialog
    v-if="landmark && spot"
    :open="asking === 'figure'"
    :landmark
    :spot
    :others
    :side
    :build="store.client!.sex"
    @close="close"
  />
  <SiteChoices
    :kind
    :asking
    :sites
    :name="landmark?.name ?? ''"
    @skip="skip"
    @site="goTo"
    @girth="addGirth"
    @close="close"
  />
</template>

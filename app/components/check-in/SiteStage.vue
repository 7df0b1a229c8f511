<script setup lang="ts">
import {
  formatDate,
  girthLandmark,
  isSkinfold,
  landmarkOf,
  rulesOf,
  schoolOfSite,
  type LengthUnit,
} from '#core'
import type { SiteKind } from '~/composables/useSiteEntry'
import { spotOf } from '../figure/sites'

const props = defineProps<{ kind: SiteKind }>()
const emit = defineEmits<{ done: [] }>()

const store = useCheckInStore()
const { client, protocol, last } = storeToRefs(store)
const { text, problem, step, before, trials, apart, enter, back, openBox } = useSiteEntry(
  props.kind,
)
const { sites, shownUnit, show } = useSiteSheet(props.kind)
const unit = useLengthUnit()
const units = [
  { value: 'cm', name: 'cm' },
  { value: 'in', name: 'in' },
] as { value: LengthUnit; name: string }[]

const field = useTemplateRef<HTMLInputElement>('field')
const focus = () => void nextTick(() => field.value?.focus())
onMounted(focus)
watch(step, focus)

/** The site in hand, as its school has it, in the words of the screen. */
const landmark = computed(() => {
  if (!step.value) return undefined
  const { site } = step.value
  if (!isSkinfold(site)) {
    const { name, where, how } = girthLandmark(site)
    return { name, text: `${where} ${how}`, what: 'girth', caption: 'tape level all round' }
  }
  const fold = landmarkOf(site, schoolOfSite(protocol.value, site))!
  return {
    name: fold.name,
    text: `${fold.where[client.value!.sex]} ${fold.posture}`,
    what: `${fold.direction} fold`,
    caption: `fold runs ${fold.runs}`,
  }
})
const spot = computed(() => step.value && spotOf(step.value.site))
const others = computed(() =>
  props.kind === 'tape'
    ? []
    : sites.value
        .filter((site) => site !== step.value?.site)
        .map(spotOf)
        .filter(({ view }) => view === spot.value?.view),
)
const lastValue = computed(() => step.value && last.value[step.value.site])
const allowed = computed(() => {
  const { kind: by, value } = rulesOf(protocol.value, step.value!.site).tolerance
  return by === 'percent' ? `${value} %` : `${value} ${by}`
})

function onEnter() {
  enter()
  if (!step.value && !problem.value) emit('done')
}

function onBackspace(event: KeyboardEvent) {
  if (text.value !== '') return
  event.preventDefault()
  back()
}
</script>

<template>
  <div class="grid flex-1 lg:grid-cols-[290px_1fr_352px]">
    <section
      v-if="landmark && spot"
      class="hidden flex-col border-r border-line px-4 py-5 text-faded lg:flex"
    >
      <p class="flex justify-between">
        <span>{{ spot.view === 'front' ? 'Front' : 'Back' }}</span><span>right side</span>
      </p>
      <div class="min-h-0 flex-1 py-2">
        <BodyFigure
          :view="spot.view"
          :current="spot"
          :others="others"
          :label="`${landmark.name} on the ${spot.view} of the body. ${landmark.text}`"
          class="max-h-[560px]"
        />
      </div>
      <p class="flex justify-between gap-3">
        <span>{{ landmark.caption }}</span>
        <span class="whitespace-nowrap"
          >{{ sites.indexOf(step!.site) + 1 }} of {{ sites.length }}</span
        >
      </p>
    </section>

    <section v-if="step && landmark" class="flex flex-col px-4 py-5 sm:px-10 sm:py-8">
      <div class="flex gap-4">
        <div class="min-w-0 flex-1">
          <p class="text-faded">
            Pass {{ step.pass }} · site {{ sites.indexOf(step.site) + 1 }} of {{ sites.length }} ·
            {{ landmark.what }}
          </p>
          <h2 class="pb-1 text-[44px] sm:text-[68px]" data-test="site">{{ landmark.name }}</h2>
          <p class="max-w-xl text-lg max-sm:leading-snug">{{ landmark.text }}</p>
        </div>
        <BodyFigure
          v-if="spot"
          :view="spot.view"
          :current="spot"
          label=""
          aria-hidden="true"
          class="h-40! w-20! shrink-0 lg:hidden"
        />
      </div>

      <form
        class="flex flex-wrap items-end gap-x-5 gap-y-3 pt-4 sm:pt-6"
        novalidate
        @submit.prevent="onEnter"
      >
        <label for="reading" class="sr-only">
          {{ landmark.name }}, pass {{ step.pass }}, in {{ shownUnit }}
        </label>
        <input
          id="reading"
          ref="field"
          v-model="text"
          inputmode="decimal"
          enterkeyhint="next"
          autocomplete="off"
          maxlength="12"
          class="figure h-[110px] w-[210px] border-0 border-b-[6px] border-ink bg-board px-3 text-right caret-leaf text-[96px] leading-none sm:h-[164px] sm:w-[330px] sm:text-[150px]"
          :aria-invalid="!!problem"
          aria-describedby="reading-problem"
          @keydown.backspace="onBackspace"
        />
        <span v-if="kind === 'folds'" class="figure pb-2 text-[40px] text-faded">mm</span>
        <ChoiceRow v-else v-model="unit" label="Unit of the tape" hide-label :options="units" />
        <dl
          class="grid flex-1 grid-cols-[auto_auto] content-end items-baseline justify-start gap-x-5 gap-y-1 pb-2"
        >
          <template v-if="before !== undefined">
            <dt class="text-faded">Keeps on Enter</dt>
            <dd class="figure text-right text-[28px]">{{ show(before) }}</dd>
          </template>
          <template v-for="(trial, i) in trials" :key="i">
            <template v-if="trial !== undefined && i !== step.pass - 1">
              <dt class="text-faded">Pass {{ i + 1 }}</dt>
              <dd class="figure text-right text-[28px]">{{ show(trial) }}</dd>
            </template>
          </template>
          <template v-if="lastValue !== undefined">
            <dt class="text-faded">Last time, {{ formatDate(lastValue.measuredOn) }}</dt>
            <dd class="figure text-right text-[28px]" data-test="last">
              {{ show(lastValue.value) }}
            </dd>
          </template>
        </dl>
      </form>
      <p
        v-if="problem"
        id="reading-problem"
        role="alert"
        class="mt-4 border-2 border-l-8 border-clay bg-clay-wash px-4 py-3"
      >
        {{ problem }}
      </p>
      <p
        v-else-if="apart"
        role="status"
        data-test="apart"
        class="mt-4 border-2 border-l-8 border-clay bg-clay-wash px-4 py-3"
      >
        <strong>{{ show(apart) }} {{ shownUnit }} apart</strong>, more than {{ allowed }}. Take it
        once more.
      </p>
      <SiteStrip :kind="kind" class="mt-5 lg:hidden" :step="step" @pick="openBox" />
    </section>
    <section v-else class="px-4 py-8 sm:px-10">
      <p class="text-faded">{{ kind === 'folds' ? 'Folds' : 'Tape' }}</p>
      <h2 class="pb-4 text-[44px]">All sites are in.</h2>
      <button type="button" class="button button-lead" autofocus @click="emit('done')">
        Go on
      </button>
    </section>

    <aside class="border-l border-line bg-board px-4 py-5 max-lg:hidden">
      <SiteSheet :kind="kind" :step="step" @pick="openBox" />
    </aside>
  </div>
  <p class="flex flex-wrap gap-x-8 gap-y-1 border-t border-line px-6 py-3 text-faded max-lg:hidden">
    <span><kbd class="key">Enter</kbd> takes the number and goes on</span>
    <span><kbd class="key">⌫</kbd> in an empty field goes back</span>
    <span><kbd class="key">Tab</kbd> to the sheet, to correct any box</span>
  </p>
</template>

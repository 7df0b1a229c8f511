<script setup lang="ts">
import { landmarkOf, SKINFOLD_IDS, type LandmarkStandard, type SkinfoldId } from '#core'
import { rootMeanSquare, shuffle } from 'simple-statistics'
import { v4 as newId } from 'uuid'
import type { PracticeForm } from '#shared/contract/studies'
import { CROWN_Y, FIGURE_HEIGHT, FIGURE_WIDTH, FLOOR_Y, type Build } from '~/ui/figure/outline'
import { spotOf } from '~/ui/figure/sites'

/** Where a site lies in a landmark standard: a point on the drawn figure, by touch or by keys. */
const { standard } = defineProps<{ standard: LandmarkStandard }>()
const emit = defineEmits<{ done: [round: PracticeForm] }>()

const TRIES = 8
/** A figure of so many cm stands in the box. */
const STATURE_CM = 170
const CM_A_UNIT = STATURE_CM / (FLOOR_Y - CROWN_Y)
const build = ref<Build>('female')
const sites = computed(() =>
  SKINFOLD_IDS.filter((site) => landmarkOf(site, standard) && spotOf(site, build.value)),
)
const asked = ref<SkinfoldId>()
const left = ref<SkinfoldId[]>([])
const cross = ref({ x: FIGURE_WIDTH / 2, y: FIGURE_HEIGHT / 2 })
const errors = ref<number[]>([])
const last = ref<{ site: SkinfoldId; cm: number }>()
const spot = computed(() => asked.value && spotOf(asked.value, build.value))
const view = computed(
  () => (last.value ? spotOf(last.value.site, build.value)! : spot.value)?.view ?? 'front',
)

const figure = useTemplateRef<SVGSVGElement>('figure')
function begin() {
  errors.value = []
  left.value = shuffle(sites.value).slice(0, TRIES)
  next()
}
function next() {
  last.value = undefined
  asked.value = left.value.shift()
  cross.value = { x: FIGURE_WIDTH / 2, y: FIGURE_HEIGHT / 2 }
  void nextTick(() => figure.value?.focus())
}
/** Only the right side counts, as it does beside a client. */
function place(x: number, y: number) {
  if (!spot.value || last.value) return
  cross.value = { x, y }
  const cm = Math.hypot(x - spot.value.x, y - spot.value.y) * CM_A_UNIT
  errors.value.push(cm)
  last.value = { site: asked.value!, cm }
  if (left.value.length === 0) {
    const { length: tries } = errors.value
    emit('done', {
      ...{ id: newId(), kind: 'landmarks', tries, error: rootMeanSquare(errors.value) },
      ...{ bias: null, late: null, typed: null },
    })
  }
}
function onPointer(event: PointerEvent) {
  const box = figure.value!.getBoundingClientRect()
  place(
    ((event.clientX - box.left) / box.width) * FIGURE_WIDTH,
    ((event.clientY - box.top) / box.height) * FIGURE_HEIGHT,
  )
}
const MOVES: Record<string, readonly [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
}
function onKey(event: KeyboardEvent) {
  const move = MOVES[event.key]
  if (move && !last.value) {
    event.preventDefault()
    const far = event.shiftKey ? 10 : 2
    const within = (value: number, most: number) => Math.min(Math.max(value, 0), most)
    cross.value = {
      x: within(cross.value.x + far * move[0], FIGURE_WIDTH),
      y: within(cross.value.y + far * move[1], FIGURE_HEIGHT),
    }
  } else if (event.key === 'Enter' && spot.value && !last.value) {
    event.preventDefault()
    place(cross.value.x, cross.value.y)
  }
}
const BUILDS = [
  { value: 'female' as const, name: sexText('female') },
  { value: 'male' as const, name: sexText('male') },
]
</script>

<template>
  <div class="grid gap-x-10 gap-y-4 sm:grid-cols-[16rem_1fr]">
    <svg
      ref="figure"
      :viewBox="`0 0 ${FIGURE_WIDTH} ${FIGURE_HEIGHT}`"
      tabindex="0"
      role="application"
      :aria-label="asked ? t('practice.whereIs', { site: nameOf(asked) }) : t('practice.figure')"
      class="touch-manipulation max-sm:h-[50dvh] max-sm:w-auto sm:w-full sm:max-w-64"
      fill="none"
      @pointerdown="onPointer"
      @keydown="onKey"
    >
      <FigureBody :view :build />
      <SiteMark v-if="last" :spot="spotOf(last.site, build)!" />
      <path
        v-if="asked"
        :d="`M${cross.x - 5} ${cross.y}h10M${cross.x} ${cross.y - 5}v10`"
        class="stroke-clay"
        stroke-width="1.6"
      />
    </svg>
    <div class="max-sm:order-first">
      <ChoiceRow
        v-if="!asked"
        v-model="build"
        :label="t('practice.build')"
        compact
        :options="BUILDS"
      />
      <p v-if="!asked" class="py-2">{{ t('practice.howLandmarks') }}</p>
      <template v-if="asked">
        <p class="figure text-[34px]" data-test="asked">{{ nameOf(asked) }}</p>
        <p class="text-faded">
          {{ t(`common.${view}`) }} ·
          {{
            t('practice.tryOf', {
              number: Math.max(1, errors.length + (last ? 0 : 1)),
              count: TRIES,
            })
          }}
        </p>
      </template>
      <p v-if="last" role="status" class="pt-2 text-lg" data-test="landmark-feedback">
        {{ t('practice.offBy', { cm: fixed(last.cm, 1) }) }}
        {{ tell(landmarkOf(last.site, standard)!.where[build]) }}
      </p>
      <div class="pt-3">
        <button
          v-if="!asked || (last && left.length === 0)"
          type="button"
          class="button button-lead"
          @click="begin"
        >
          {{ asked ? t('practice.again') : t('practice.begin') }}
        </button>
        <button v-else-if="last" type="button" class="button button-lead" @click="next">
          {{ t('practice.next') }}
        </button>
      </div>
    </div>
  </div>
</template>

<script setup lang="ts">
import { addDays, type BandOfWeek, type MassUnit } from '#core'
import {
  drawPlan,
  pathsOf,
  type PicturePoint,
  type PictureQuantity,
  type PlanDrawn,
} from './picture-panels'

/** A plan as a picture: its way, what the same food may do, the band of both, and every check-in since its start. */
const props = defineProps<{
  plan: PlanDrawn
  bands?: BandOfWeek[]
  points?: PicturePoint[]
  unit: MassUnit
  /** False for a client who sees sums and girths only: the weight alone is drawn. */
  shown?: boolean
}>()

const quantities = computed<PictureQuantity[]>(() =>
  props.shown ? ['mass', 'fat', 'lean'] : ['mass'],
)
const points = computed(() => props.points ?? [])
/** Apart from the band, which comes later. */
const paths = computed(() => pathsOf(props.plan, points.value))
const drawn = computed(() =>
  drawPlan(
    props.plan.startedOn,
    paths.value,
    props.bands,
    points.value,
    quantities.value,
    props.unit,
  ),
)
const gridText = (value: number) => fixed(value, Number.isInteger(value) ? 0 : 1)
const TITLES = { mass: t('plan.weight'), fat: t('plan.fat'), lean: t('plan.lean') } as const
const TONES = {
  mass: { text: 'text-oak', stroke: 'stroke-oak', fill: 'fill-oak' },
  fat: { text: 'text-amber', stroke: 'stroke-amber', fill: 'fill-amber' },
  lean: { text: 'text-leaf', stroke: 'stroke-leaf', fill: 'fill-leaf' },
} as const
/** Where 9 in 10 paths end up, in words, for those who do not see the picture. */
function labelOf(quantity: PictureQuantity) {
  const end = props.bands?.at(-1)?.[quantity]
  const goal = drawn.value.panels.find((panel) => panel.quantity === quantity)?.goal
  return [
    t('plan.panelLabel', {
      quantity: TITLES[quantity],
      day: formatDate(props.plan.startedOn, true),
    }),
    ...(goal ? [t('plan.panelGoal', { goal: fixed(goal.value, 1), unit: props.unit })] : []),
    ...(end
      ? [
          t('plan.panelBand', {
            count: drawn.value.weeks,
            low: formatMass(end[0], props.unit),
            high: formatMass(end[4], props.unit),
          }),
        ]
      : []),
  ].join(', ')
}
const columns = computed(() =>
  drawn.value.panels.map(({ quantity }) => `${TITLES[quantity]}, ${props.unit}`),
)
const rows = computed(() =>
  (drawn.value.panels[0]?.byWeek ?? []).map(({ week, x }) => ({
    head: t('charts.week', {
      week,
      day: formatDate(addDays(props.plan.startedOn, 7 * week)),
    }),
    x,
    cells: drawn.value.panels.map(({ byWeek }) =>
      rangeText(byWeek[week]!, (value) => fixed(value, 1)),
    ),
  })),
)
const whole = computed(() => drawn.value.panels.map(({ quantity }) => labelOf(quantity)).join('. '))
</script>

<template>
  <figure class="min-w-0" data-test="plan-picture" :data-banded="bands ? '' : undefined">
    <ChartWalk v-slot="{ x }" :label="whole" :columns :rows>
      <div v-for="panel in drawn.panels" :key="panel.quantity" class="pb-3">
        <h3 class="pb-1 text-lg" :class="TONES[panel.quantity].text">
          {{ TITLES[panel.quantity] }}, {{ unit }}
        </h3>
        <div
          class="relative mr-16 ml-12"
          :style="{ height: `${panel.height}px` }"
          role="img"
          :aria-label="labelOf(panel.quantity)"
          :data-panel="panel.quantity"
          data-plot
        >
          <PanelGrid :lines="panel.grid" :text="gridText" :at="x" />
          <svg
            class="absolute inset-0 h-full w-full overflow-hidden"
            viewBox="0 0 100 100"
            preserveAspectRatio="none"
          >
            <polygon :points="panel.band" :class="TONES[panel.quantity].fill" opacity="0.16" />
            <g fill="none" :class="TONES[panel.quantity].stroke">
              <polyline
                :points="panel.held"
                stroke-width="1.5"
                stroke-dasharray="1 4"
                vector-effect="non-scaling-stroke"
              />
              <polyline
                :points="panel.forbes"
                stroke-width="1.5"
                stroke-dasharray="7 5"
                vector-effect="non-scaling-stroke"
              />
              <polyline :points="panel.way" stroke-width="3" vector-effect="non-scaling-stroke" />
            </g>
          </svg>
          <span
            v-if="panel.goal"
            class="absolute inset-x-0 border-t-2 border-dotted border-ink"
            :style="{ top: `${panel.goal.y}%` }"
          >
            <span
              class="figure absolute left-full -translate-y-1/2 pl-2 text-[18px] leading-none whitespace-nowrap"
            >
              {{ fixed(panel.goal.value, 1) }}
              <span class="block text-[14px]">{{ t('plan.goalMark') }}</span>
            </span>
          </span>
          <span
            v-for="point in panel.points"
            :key="point.date"
            class="absolute size-2.5 -translate-1/2 rounded-full border-2 border-chalk bg-ink"
            :style="{ left: `${point.x}%`, top: `${point.y}%` }"
            :title="`${formatDate(point.date, true)}: ${fixed(point.value, 1)} ${unit}`"
            data-point
          />
        </div>
      </div>
      <div class="relative mr-16 ml-12 h-6 text-[15px] text-faded">
        <span
          v-for="(day, i) in drawn.days"
          :key="day.x"
          class="absolute whitespace-nowrap"
          :class="i === 0 ? '' : day.x > 95 ? '-translate-x-full' : '-translate-x-1/2'"
          :style="{ left: `${day.x}%` }"
        >
          {{ day.words }}
        </span>
      </div>
    </ChartWalk>
    <figcaption class="ml-12 text-[15px] text-faded">
      {{ t(shown ? 'plan.pictureLegend' : 'plan.pictureLegendQuiet') }}
      <template v-if="points.length">
        {{ t('plan.pointsAsEachCheckRead') }}
      </template>
    </figcaption>
  </figure>
</template>

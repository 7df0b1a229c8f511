<script setup lang="ts">
import {
  chartPoint,
  COMPONENTS,
  somatotypeDistance,
  somatotypeMove,
  somatotypeName,
  Z95,
  type Component,
  type MeasuredSomatotype,
  type Somatotype,
} from '#core'

/** Somatotypes by day on their chart, what has moved, and how far the last is from a reference. */
const props = defineProps<{ typed: { id: string; date: string; type: MeasuredSomatotype }[] }>()

const NAMES: Record<Component, string> = {
  endomorphy: t('profile.endomorphy'),
  mesomorphy: t('profile.mesomorphy'),
  ectomorphy: t('profile.ectomorphy'),
}
const MEANINGS: Record<Component, string> = {
  endomorphy: t('profile.endomorphyIs'),
  mesomorphy: t('profile.mesomorphyIs'),
  ectomorphy: t('profile.ectomorphyIs'),
}

const points = computed(() =>
  props.typed.map(({ type: { point, pointErrors } }, i) => ({
    ...point,
    ...{ dx: pointErrors.x, dy: pointErrors.y, name: String(i + 1) },
  })),
)
const label = computed(() =>
  t('profile.chartLabel', {
    said: props.typed
      .map(({ date, type: { is } }) =>
        t('profile.dayIs', {
          day: formatDate(date, true),
          ...{ endo: fixed(is.endomorphy, 1), meso: fixed(is.mesomorphy, 1) },
          ...{ ecto: fixed(is.ectomorphy, 1), name: tell(somatotypeName(is)) },
        }),
      )
      .join('; '),
  }),
)

/** From the first to the last. */
const move = computed(() => {
  const [first, last] = [props.typed[0]!, props.typed.at(-1)!]
  if (first === last) return undefined
  const { by, clear, distance } = somatotypeMove(first.type, last.type)
  return t('profile.moved', {
    day: formatDate(first.date, true),
    distance: fixed(distance, 1),
    parts: COMPONENTS.map((component) =>
      t('profile.movedPart', {
        component: NAMES[component],
        change: signed(by[component], 1),
        sure: clear.includes(component) ? t('profile.sure') : t('profile.unsure'),
      }),
    ).join(', '),
  })
})

const texts = reactive<Record<Component, string>>({
  endomorphy: '',
  mesomorphy: '',
  ectomorphy: '',
})
/** The least and the most that a component is rated. */
const RATINGS = [0.1, 15] as const
const reference = computed((): Somatotype | undefined => {
  const [endomorphy, mesomorphy, ectomorphy] = COMPONENTS.map((one) =>
    typedWithin(texts[one], ...RATINGS),
  )
  return endomorphy === undefined || mesomorphy === undefined || ectomorphy === undefined
    ? undefined
    : { endomorphy, mesomorphy, ectomorphy }
})
</script>

<template>
  <section class="grid gap-x-8 gap-y-4 lg:grid-cols-[minmax(0,480px)_1fr]">
    <SomatoChart :points :label :reference="reference && chartPoint(reference)" />
    <div class="min-w-0">
      <ScrollTable
        class="w-full"
        :label="t('profile.ratings')"
        :caption="t('profile.ratings')"
        data-test="ratings"
      >
        <thead class="text-faded">
          <tr class="border-b border-line align-bottom">
            <th scope="col" class="py-1 pr-2 font-normal"></th>
            <th scope="col" class="px-1 font-normal sm:px-2">{{ t('profile.day') }}</th>
            <th
              v-for="component in COMPONENTS"
              :key="component"
              scope="col"
              class="px-1 text-right font-normal max-sm:text-sm sm:px-2"
            >
              {{ NAMES[component] }}
              <span class="block text-sm max-sm:hidden">{{ MEANINGS[component] }}</span>
            </th>
          </tr>
        </thead>
        <tbody>
          <template v-for="({ id, date, type }, i) in typed" :key="id">
            <tr>
              <td class="pr-2 font-bold">{{ i + 1 }}</td>
              <th scope="row" class="px-1 pt-2 font-normal sm:px-2 sm:whitespace-nowrap">
                {{ formatDate(date, true) }}
              </th>
              <td
                v-for="component in COMPONENTS"
                :key="component"
                class="figure px-1 pt-2 text-right text-[21px] whitespace-nowrap sm:px-2"
              >
                {{ fixed(type.is[component], 1) }}
                <span class="text-base text-faded max-sm:block">
                  ± {{ fixed(Z95 * type.errors[component], 1) }}</span
                >
              </td>
            </tr>
            <tr class="border-b border-line">
              <td></td>
              <td colspan="4" class="px-2 pb-2 text-faded">{{ tell(somatotypeName(type.is)) }}</td>
            </tr>
          </template>
        </tbody>
      </ScrollTable>
      <p class="pt-1 text-faded">{{ t('profile.giveOrTake') }}</p>
      <p v-if="move" class="pt-3 text-lg" data-test="move">{{ move }}</p>
      <FoldOut :title="t('profile.reference')">
        <p class="pb-2 text-faded">{{ t('profile.referenceHelp') }}</p>
        <div class="flex flex-wrap gap-3">
          <FieldRow
            v-for="component in COMPONENTS"
            :id="`reference-${component}`"
            :key="component"
            :label="NAMES[component]"
          >
            <input
              :id="`reference-${component}`"
              v-model="texts[component]"
              class="field w-28!"
              inputmode="decimal"
              autocomplete="off"
              maxlength="5"
            />
          </FieldRow>
        </div>
        <p v-if="reference" class="pt-2 text-lg" role="status" data-test="distance">
          {{
            t('profile.referenceDistance', {
              distance: fixed(somatotypeDistance(typed.at(-1)!.type.is, reference), 1),
            })
          }}
        </p>
      </FoldOut>
    </div>
  </section>
</template>

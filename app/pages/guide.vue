<script setup lang="ts">
import { SEVEN_FOLDS, type Sex } from '#core'
import type { FigureView } from '~/ui/figure/outline'
import { spotOf, type FigureSpot } from '~/ui/figure/sites'

usePageTitle(() => t('guide.title'))

/** The sites of seven folds as each side of the body shows them. */
const build: Sex = 'female'
const views = (
  [
    ['front', t('guide.sitesFront')],
    ['side', t('guide.sitesSide')],
    ['back', t('guide.sitesBack')],
  ] as [FigureView, string][]
).map(([view, label]) => ({
  ...{ view, label },
  spots: SEVEN_FOLDS.flatMap((site) => spotOf(site, build) ?? []).filter(
    (spot: FigureSpot) => spot.view === view,
  ),
}))
const tape = { at: spotOf('waist', build)!, others: [spotOf('hip', build)!] }
const print = () => window.print()
</script>

<template>
  <main class="mx-auto max-w-4xl px-4 py-6 sm:px-6">
    <div class="flex flex-wrap items-end justify-between gap-3">
      <h1 class="text-[40px]">{{ t('guide.title') }}</h1>
      <InTurn>
        <button type="button" class="button print:hidden" @click="print">
          {{ t('guide.print') }}
        </button>
      </InTurn>
    </div>
    <p class="pb-2 text-lg">{{ t('guide.intro') }}</p>

    <section class="break-inside-avoid">
      <h2 class="guide-part">{{ t('guide.before') }}</h2>
      <p>{{ t('guide.beforeAsk') }}</p>
      <p>{{ t('guide.beforeSame') }}</p>
    </section>
    <section class="break-inside-avoid">
      <h2 class="guide-part">{{ t('guide.landmarks') }}</h2>
      <p>{{ t('guide.landmarksText') }}</p>
      <ul class="grid grid-cols-3 gap-2 pt-3">
        <li v-for="{ view, label, spots } in views" :key="view" class="h-[300px]">
          <BodyFigure :view :build :marks="spots" :label />
        </li>
      </ul>
    </section>
    <section class="grid break-inside-avoid gap-x-8 sm:grid-cols-2">
      <div>
        <h2 class="guide-part">{{ t('guide.fold') }}</h2>
        <p>{{ t('guide.foldGrip') }}</p>
        <p>{{ t('guide.foldJaws') }}</p>
        <p>{{ t('guide.foldRead') }}</p>
      </div>
      <div class="self-center pt-4"><PinchDrawing /></div>
    </section>
    <section class="break-inside-avoid">
      <h2 class="guide-part">{{ t('guide.rounds') }}</h2>
      <p>{{ t('guide.roundsText') }}</p>
    </section>
    <section class="grid break-inside-avoid gap-x-8 sm:grid-cols-2">
      <div>
        <h2 class="guide-part">{{ t('guide.tape') }}</h2>
        <p>{{ t('guide.tapeText') }}</p>
        <h2 class="guide-part">{{ t('guide.scale') }}</h2>
        <p>{{ t('guide.scaleText') }}</p>
      </div>
      <div class="h-[260px] pt-4">
        <BodyFigure
          view="front"
          :build
          :current="tape.at"
          :marks="tape.others"
          :label="t('guide.tapeLabel')"
          near
        />
      </div>
    </section>
    <section class="break-inside-avoid">
      <h2 class="guide-part">{{ t('guide.result') }}</h2>
      <p>{{ t('guide.resultError') }}</p>
      <p>{{ t('guide.resultChange') }}</p>
      <p class="mt-3 caution">{{ t('guide.never') }}</p>
    </section>
  </main>
</template>

<style scoped>
@reference '~/assets/main.css';

.guide-part {
  @apply pt-5 pb-1 text-2xl;
}

p {
  @apply max-w-2xl pb-1;
}
</style>

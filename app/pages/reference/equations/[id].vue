<script setup lang="ts">
import {
  CHART_CLASSES,
  classedChart,
  EQUATIONS,
  isChartable,
  lookUpChart,
  CONVERSIONS,
  type Sex,
} from '#core'

const route = useRoute()
const equation = computed(() => EQUATIONS.find(({ id }) => id === route.params.id))
usePageTitle(() => tell(equation.value?.name) || t('reference.equation'))

const GRADES: Record<string, string> = {
  A: t('equations.coefficientsAgreeSeveralPrintedSources'),
  B: t('equations.bCoefficientsAsOneSource'),
  C: t('equations.cCoefficientsDoubtSeeNotes'),
  'common practice': t('equations.commonPracticeNoSource'),
}

const sex = ref<Sex>(equation.value?.variants[0]?.sex ?? 'female')
const conversion = useConversion(sex)
const step = ref<'2' | '5'>('5')
const sexes = computed(() =>
  (equation.value?.variants ?? []).map((v) => ({
    value: v.sex,
    name: t(v.sex === 'male' ? 'reference.men' : 'reference.women'),
  })),
)
const steps = [
  { value: '2' as const, name: t('equations.everyMm', { mm: 2 }) },
  { value: '5' as const, name: t('equations.everyMm', { mm: 5 }) },
]
const givesDensity = computed(() =>
  equation.value?.variants.some(({ gives }) => gives === 'density'),
)
const chart = computed(() =>
  equation.value && isChartable(equation.value.id, sex.value)
    ? lookUpChart(equation.value.id, sex.value, conversion.value, Number(step.value))
    : undefined,
)
/* Classes of the cells: none, or in three or five steps by age. */
const classesBy = ref('none')
const classTables = [
  { value: 'none', name: t('equations.none') },
  ...CHART_CLASSES.map(({ id, name }) => ({ value: id, name: tell(name) })),
]
const classTable = computed(() => CHART_CLASSES.find(({ id }) => id === classesBy.value))
const classes = computed(() =>
  chart.value && classTable.value ? classedChart(chart.value, classTable.value) : undefined,
)
/** Without classes an ageless chart needs one column; the classes go by age. */
const columns = computed(() =>
  chart.value?.ageless && !classes.value ? [] : (chart.value?.ages ?? []),
)
const chartFile = computed(() => {
  const asked = { equation: equation.value!.id, sex: sex.value, conversion: conversion.value }
  return `/api/sum-by-age?${new URLSearchParams(asked).toString()}`
})
const print = () => window.print()

/** What a form wants besides sites. */
const NEEDS = {
  heightCm: t('reference.height'),
  massKg: t('equations.bodyMass'),
  puberty: t('equations.puberty'),
}
</script>

<template>
  <main class="mx-auto max-w-4xl px-4 py-6 sm:px-6 print:max-w-none print:p-0">
    <ReferenceNav />
    <template v-if="equation">
      <h1 class="pt-4 text-[40px] print:pt-0 print:text-2xl">{{ tell(equation.name) }}</h1>
      <p class="pb-3 text-faded print:hidden">
        {{ tell(equation.family) }}
        <template v-if="equation.standard">
          {{
            t('equations.standardNoOtherStandardS', {
              standard: standardName(equation.standard),
            })
          }}
        </template>
      </p>
      <section
        v-for="variant in equation.variants"
        :key="variant.sex"
        class="pb-4 print:hidden"
        data-test="card"
      >
        <h2 class="border-b-2 border-ink pb-1 text-xl">
          {{ variant.sex === 'male' ? t('reference.men') : t('reference.women') }}
        </h2>
        <dl class="grid gap-x-6 gap-y-1 pt-2 sm:grid-cols-[9rem_1fr]">
          <dt class="text-faded">{{ t('equations.source') }}</dt>
          <dd>{{ variant.citation }}</dd>
          <dt class="text-faded">{{ t('equations.people') }}</dt>
          <dd>
            {{ tell(variant.population) }}
            <template v-if="variant.ages">
              {{
                t('equations.agesFromTo', {
                  from: variant.ages.youngest,
                  to: variant.ages.oldest,
                })
              }}
            </template>
          </dd>
          <dt class="text-faded">{{ t('equations.measured2') }}</dt>
          <dd>
            {{
              [
                ...variant.folds.map(nameOf),
                ...variant.girths.map(nameOf),
                ...variant.needs.map((need) => NEEDS[need]),
              ].join(', ')
            }}
          </dd>
          <dt class="text-faded">{{ t('equations.gives') }}</dt>
          <dd>
            {{
              variant.gives === 'density'
                ? t('equations.bodyDensityGCm')
                : t('equations.fatPercent')
            }}
          </dd>
          <dt class="text-faded">{{ t('equations.standardError') }}</dt>
          <dd>
            <template v-if="variant.standardError">
              {{ variant.standardError.value }}
              {{
                variant.standardError.of === 'density'
                  ? t('equations.gCmAboutStandarderrorPoints', {
                      standardError: fixed((variant.standardError.value * 495) / 1.06 ** 2, 1),
                    })
                  : t('equations.pointsFat')
              }}
            </template>
            <template v-else>{{ t('equations.notStatedSource') }}</template>
          </dd>
          <dt class="text-faded">{{ t('equations.coefficients') }}</dt>
          <dd>{{ GRADES[variant.grade] }}</dd>
          <template v-if="variant.turning">
            <dt class="text-faded">{{ t('equations.turnsOver') }}</dt>
            <dd>
              {{
                t('equations.validUpToWhy', {
                  at: fixed(variant.turning.at, 0),
                  unit: variant.turning.of === 'sum' ? 'mm' : 'cm',
                })
              }}
            </dd>
          </template>
        </dl>
      </section>
      <section v-if="equation.notes.length" class="pb-5 print:hidden">
        <h2 class="border-b-2 border-ink pb-1 text-xl">{{ t('equations.doubts') }}</h2>
        <ul class="list-disc pt-2 pl-5">
          <li v-for="note in equation.notes" :key="tell(note)">{{ tell(note) }}</li>
        </ul>
      </section>
      <section>
        <h2 class="border-b-2 border-ink pb-1 text-xl print:hidden">
          {{ t('equations.lookUpChartSumFolds') }}
        </h2>
        <div class="flex flex-wrap items-end gap-x-8 gap-y-3 py-3 print:hidden">
          <ChoiceRow
            v-if="sexes.length > 1"
            v-model="sex"
            :label="t('reference.for')"
            :options="sexes"
          />
          <ConversionChoice v-if="givesDensity" v-model="conversion" :sex />
          <ChoiceRow v-model="step" :label="t('equations.rows')" :options="steps" />
          <ChoiceRow
            v-model="classesBy"
            :label="t('equations.classes')"
            compact
            :options="classTables"
          />
          <button v-if="chart" type="button" class="button button-lead" @click="print">
            {{ t('equations.printChart') }}
          </button>
          <a v-if="chart" :href="chartFile" class="button inline-flex items-center" target="_blank">
            {{ t('equations.chartPdf') }}
          </a>
        </div>
        <template v-if="chart">
          <p class="pb-2">
            {{
              t(sex === 'male' ? 'equations.chartMen' : 'equations.chartWomen', {
                folds: equation.variants
                  .find((v) => v.sex === sex)!
                  .folds.map((f) => nameOf(f))
                  .join(', '),
              })
            }}
            <template v-if="givesDensity">
              {{
                t('reference.fatConversion', {
                  conversion: CONVERSIONS[conversion].name,
                })
              }}
            </template>
            {{ t('equations.estimateWithError') }}
          </p>
          <p v-if="classes && classTable" class="pb-2" data-test="steps">
            {{
              t('equations.smallFigureStepJoinSource', {
                join: classes.steps.map((name, i) => `${i + 1} ${tell(name)}`).join(', '),
                source: classTable.source,
              })
            }}
          </p>
          <ScrollTable
            :label="t('equations.chart')"
            class="chart w-full text-right!"
            data-test="look-up"
          >
            <thead>
              <tr class="border-b-2 border-ink">
                <th scope="col" class="pr-3 text-left">mm</th>
                <th v-if="columns.length === 0" scope="col">{{ t('equations.anyAgeSource') }}</th>
                <th v-for="age in columns" :key="age" scope="col">{{ age }}</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="(row, at) in chart.rows" :key="row.sumMm" class="border-b border-line">
                <th scope="row" class="figure pr-3 text-left text-lg">{{ row.sumMm }}</th>
                <td
                  v-for="(fat, i) in row.fatPercent.slice(0, columns.length || 1)"
                  :key="i"
                  class="figure text-lg"
                >
                  {{ fat === null ? '–' : fixed(fat, 1)
                  }}<sub
                    v-if="classes?.cells[at]?.[i]"
                    class="pl-0.5 text-sm text-faded print:text-[9px]"
                    >{{ classes.cells[at]![i] }}</sub
                  >
                </td>
              </tr>
            </tbody>
          </ScrollTable>
        </template>
        <p v-else>
          {{ t('equations.thisEquationWantsMoreThan') }}
        </p>
      </section>
    </template>
    <template v-else>
      <h1 class="py-4 text-[40px]">{{ t('equations.thereNoSuchEquation') }}</h1>
      <NuxtLink to="/reference/equations" class="button">{{
        t('equations.allEquations')
      }}</NuxtLink>
    </template>
  </main>
</template>

<style scoped>
@media print {
  .chart th,
  .chart td {
    font-size: 10pt;
    line-height: 1.25;
  }

  .chart tr {
    break-inside: avoid;
  }
}
</style>

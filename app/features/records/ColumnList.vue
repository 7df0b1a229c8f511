<script setup lang="ts">
import {
  FACTS,
  GIRTH_IDS,
  SKINFOLD_IDS,
  columnKey,
  type Column,
  type ColumnChoice,
  type ColumnUnit,
  type Fact,
  type Meaning,
  type ReadSheet,
  type SiteId,
} from '#core'

/** What each column of a sheet was taken to mean; every one can be put right. */
const { sheet } = defineProps<{ sheet: ReadSheet }>()
const choices = defineModel<Record<string, ColumnChoice>>({ required: true })

const UNITS: Partial<Record<Fact | 'fold' | 'girth', ColumnUnit[]>> = {
  ...{ fold: ['mm', 'cm'], girth: ['cm', 'in', 'mm'], mass: ['kg', 'lb'] },
  height: ['cm', 'in', 'm'],
}
const unitsOf = ({ meaning, unit }: Column): ColumnUnit[] => {
  const usual = UNITS[meaning.is] ?? []
  return unit && usual.length > 0 && !usual.includes(unit) ? [unit, ...usual] : usual
}

const codeOf = (meaning: Meaning) =>
  'site' in meaning ? `${meaning.is}:${meaning.site}` : meaning.is
function meaningOf(code: string): Meaning {
  const [is, site] = code.split(':') as [Fact | 'fold' | 'girth', SiteId | undefined]
  if (site === undefined) return { is: is as Fact }
  return { is: is as 'fold', site, trial: 'all' }
}
const TRIALS = ['all', '1', '2', '3', 'final'] as const
const trialOf = (code: string) =>
  code === 'all' || code === 'final' ? code : (Number(code) as 1 | 2 | 3)

function change({ index }: Column, to: ColumnChoice) {
  const key = columnKey(sheet.sheet, index)
  choices.value = { ...choices.value, [key]: { ...choices.value[key], ...to } }
}
const valueOf = (event: Event) => (event.target as HTMLSelectElement).value

const FACTS_CHOSEN = FACTS.filter((fact) => fact !== 'unknown' && fact !== 'worked-out')
const nameOfFact = (fact: Fact) => t(`records.meanings.${fact}`)
const unitFrom = ({ unit, unitFrom: from, meaning }: Column) =>
  unit && from && meaning.is !== 'fat' ? t(`records.unitFrom.${from}`) : ''
</script>

<template>
  <section class="space-y-2" data-test="columns">
    <h3 class="text-xl">
      {{
        t(`records.layouts.${sheet.layout}`, {
          sheet: sheet.sheet || t('records.theTable'),
          ...counted(sheet.lines),
        })
      }}
    </h3>
    <ul :aria-label="t('records.columnsOf', { sheet: sheet.sheet || t('records.theTable') })">
      <li
        v-for="column in sheet.columns"
        :key="column.index"
        class="grid items-center gap-x-4 gap-y-1 border-b border-line py-1.5 sm:grid-cols-[10rem_9rem_auto]"
      >
        <p class="flex gap-3 font-bold wrap-anywhere sm:contents">
          <span>{{ column.heading || t('records.noHeading', { at: column.place }) }}</span>
          <span class="figure truncate text-lg text-faded" :title="column.example">
            {{ column.example }}
          </span>
        </p>
        <p class="flex flex-wrap items-center gap-2">
          <select
            class="field w-60!"
            :class="{ 'border-clay! text-clay': column.meaning.is === 'unknown' && column.example }"
            :aria-label="t('records.meaningOf', { column: column.heading })"
            :value="codeOf(column.meaning)"
            @change="change(column, { meaning: meaningOf(valueOf($event)) })"
          >
            <option value="unknown">{{ nameOfFact('unknown') }}</option>
            <option v-for="fact in FACTS_CHOSEN" :key="fact" :value="fact">
              {{ nameOfFact(fact) }}
            </option>
            <option value="worked-out">{{ nameOfFact('worked-out') }}</option>
            <optgroup :label="t('records.folds')">
              <option v-for="site in SKINFOLD_IDS" :key="site" :value="`fold:${site}`">
                {{ nameOf(site) }}
              </option>
            </optgroup>
            <optgroup :label="t('records.girths')">
              <option v-for="site in GIRTH_IDS" :key="site" :value="`girth:${site}`">
                {{ nameOf(site) }}
              </option>
            </optgroup>
          </select>
          <select
            v-if="'site' in column.meaning"
            class="field w-40!"
            :aria-label="t('records.trialOf', { column: column.heading })"
            :value="String(column.meaning.trial)"
            @change="
              change(column, {
                meaning: {
                  ...(column.meaning as Extract<Meaning, { site: SiteId }>),
                  trial: trialOf(valueOf($event)),
                },
              })
            "
          >
            <option v-for="trial in TRIALS" :key="trial" :value="trial">
              {{ t(`records.trials.${trial}`) }}
            </option>
          </select>
          <select
            v-if="unitsOf(column).length"
            class="field w-24!"
            :aria-label="t('records.unitOf', { column: column.heading })"
            :value="column.unit ?? ''"
            @change="change(column, { unit: valueOf($event) as ColumnUnit })"
          >
            <option v-for="unit in unitsOf(column)" :key="unit" :value="unit">{{ unit }}</option>
          </select>
          <span class="text-faded">{{ unitFrom(column) }}</span>
        </p>
      </li>
    </ul>
  </section>
</template>

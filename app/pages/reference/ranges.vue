<script setup lang="ts">
import { NORM_TABLES, type Band, type Sex } from '#core'

const sex = ref<Sex>('female')
const age = ref('40')
const sexes = [
  { value: 'female' as const, name: t('reference.women') },
  { value: 'male' as const, name: t('reference.men') },
]
const years = computed(() => {
  const value = Number(age.value)
  return Number.isFinite(value) && value >= 0 && value <= 120 ? value : undefined
})
const tables = computed(() =>
  NORM_TABLES.map((table) => ({
    table,
    bands: years.value === undefined ? null : table.bands(sex.value, years.value),
  })),
)
function span({ from, to }: Band, unit: string): string {
  const key = from === -Infinity ? 'below' : to === Infinity ? 'over' : 'between'
  const said = (value: number) => String(value).replace('-', '−')
  return t(`ranges.span.${key}`, { from: said(from), to: said(to), unit }).trim()
}
</script>

<template>
  <ReferencePage :title="t('reference.ranges')" class="max-w-4xl">
    <p class="pb-3 text-lg">
      {{ t('ranges.eachAsItsSourceNone') }}
    </p>
    <div class="flex flex-wrap items-end gap-6 pb-4 print:hidden">
      <ChoiceRow v-model="sex" :label="t('reference.for')" :options="sexes" />
      <FieldRow id="range-age" :label="t('reference.age')">
        <input id="range-age" v-model="age" class="field w-28!" inputmode="numeric" />
      </FieldRow>
    </div>
    <p v-if="years === undefined" role="alert" class="font-bold text-clay">
      {{ t('ranges.enterAge', { got: age }) }}
    </p>
    <section v-for="{ table, bands } in tables" v-else :key="table.id" class="pb-5">
      <h2 class="border-b-2 border-ink pb-1 text-xl">{{ tell(table.name) }}</h2>
      <p class="text-faded">
        {{ tell(table.source) }}.
        <template v-if="table.girths">
          {{ t('ranges.wantsGirths', { girths: namesOf(table.girths, 'or') }) }}
        </template>
        {{ tell(table.note) }}
      </p>
      <dl v-if="bands" class="grid max-w-xl grid-cols-[1fr_auto] gap-x-6 pt-1">
        <template v-for="band in bands" :key="tell(band.name)">
          <dt class="border-b border-line py-1">{{ tell(band.name) }}</dt>
          <dd class="figure border-b border-line py-1 text-right text-[21px]">
            {{ span(band, table.unit) }}
          </dd>
        </template>
      </dl>
      <p v-else class="pt-1">{{ t('ranges.saysNothingThisAge') }}</p>
    </section>
  </ReferencePage>
</template>

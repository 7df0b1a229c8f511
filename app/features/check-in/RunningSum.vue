<script setup lang="ts">
/** The sum of the folds so far, what it changed, and the smallest change that can be detected: beside the sheet, or one line on a phone. */
const props = defineProps<{
  line?: boolean
  /** Of the folds so far, mm. */
  sum?: number
  /** The same less the same folds last time, mm. */
  since?: number
}>()

const { detectable, result, client } = storeToRefs(useCheckInStore())

const figures = computed(() => {
  const fat =
    result.value?.ok && client.value?.showPercentages ? result.value.value.fatPercent : undefined
  return [
    {
      id: 'sum',
      name: t('checkIn.sumSoFar'),
      short: t('checkIn.sumMm'),
      value: props.sum === undefined ? undefined : fixed(props.sum, 1),
      unit: 'mm',
    },
    {
      id: 'since',
      name: t('checkIn.sumSoFarAgainstLast'),
      short: t('checkIn.againstLast'),
      value: props.since === undefined ? undefined : signed(props.since, 1),
      unit: 'mm',
    },
    {
      id: 'reach',
      name: t('checkIn.thisHandCanTellFrom'),
      short: t('checkIn.canTellFrom'),
      value: detectable.value === undefined ? undefined : fixed(detectable.value, 1),
      unit: 'mm',
    },
    {
      id: 'running-fat',
      name: t('checkIn.fatAbout'),
      short: t('checkIn.fatAbout2'),
      value: fat === undefined ? undefined : fixed(fat, 1),
      unit: '%',
    },
  ].filter(({ value }) => value !== undefined)
})
</script>

<template>
  <dl
    v-if="line"
    class="flex h-12 items-center justify-between gap-4 border-t border-line bg-board px-4 text-faded"
  >
    <div v-for="{ id, short, value, unit } in figures" :key="id" class="leading-none">
      <dt class="text-[14px]">{{ short }}</dt>
      <dd class="figure text-[22px] whitespace-nowrap text-ink" :data-test="`line-${id}`">
        {{ value }}{{ unit === '%' ? '%' : '' }}
      </dd>
    </div>
  </dl>
  <dl v-else class="border-t border-line pt-3 text-faded">
    <div
      v-for="{ id, name, value, unit } in figures"
      :key="id"
      class="flex items-baseline justify-between gap-4"
    >
      <dt>
        {{ name }}
        <AboutTerm v-if="id === 'reach'" term="detectable" />
      </dt>
      <dd class="figure text-[30px] whitespace-nowrap text-ink" :data-test="id">
        {{ unit === '%' ? `${value}%` : `${value} ${unit}` }}
      </dd>
    </div>
  </dl>
</template>

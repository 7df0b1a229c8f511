<script setup lang="ts">
import { MOST_TRIALS, type TrialOrder, type TrialValue } from '#core'
import type { SchemeDraft } from './useOwnSetDraft'

/** How often folds, or girths, are read, and what their readings give. */
defineProps<{ id: string; unit: 'mm' | 'cm' }>()
const scheme = defineModel<SchemeDraft>({ required: true })

const ORDERS: { value: TrialOrder; name: string }[] = [
  { value: 'rounds', name: t('settings.roundRound') },
  { value: 'one site', name: t('settings.oneSiteAtTime') },
]
const VALUES: { value: TrialValue; name: string }[] = [
  { value: 'closest two', name: t('settings.meanClosestTwo') },
  { value: 'median', name: t('settings.median') },
  { value: 'mean', name: t('settings.meanAll') },
]
const counts = Array.from({ length: MOST_TRIALS }, (_, i) => String(i + 1))
/** No fewer may be allowed than are always taken. */
watch(
  () => scheme.value.count,
  (count) => {
    if (Number(scheme.value.most) < Number(count)) scheme.value.most = count
  },
)
</script>

<template>
  <div class="space-y-3">
    <ChoiceRow v-model="scheme.order" :label="t('settings.order')" compact :options="ORDERS" />
    <div class="grid grid-cols-2 gap-3 sm:grid-cols-4">
      <FieldRow :id="`${id}-count`" :label="t('settings.readings')">
        <select :id="`${id}-count`" v-model="scheme.count" class="field">
          <option v-for="count in counts" :key="count">{{ count }}</option>
        </select>
      </FieldRow>
      <FieldRow :id="`${id}-most`" :label="t('settings.atMost')">
        <select :id="`${id}-most`" v-model="scheme.most" class="field">
          <option
            v-for="count in counts"
            :key="count"
            :disabled="Number(count) < Number(scheme.count)"
          >
            {{ count }}
          </option>
        </select>
      </FieldRow>
      <TextField
        :id="`${id}-tolerance`"
        v-model="scheme.tolerance"
        :label="t('settings.agreeWithin')"
        inputmode="decimal"
      />
      <FieldRow :id="`${id}-tolerance-in`" :label="t('settings.unit')">
        <select :id="`${id}-tolerance-in`" v-model="scheme.toleranceIn" class="field">
          <option value="length">{{ unit }}</option>
          <option value="percent">%</option>
        </select>
      </FieldRow>
    </div>
    <p class="text-faded">
      {{
        Number(scheme.most) > Number(scheme.count)
          ? t('settings.whereTheyFurtherApartOne', { most: scheme.most })
          : t('settings.noMoreAskedHoweverFar')
      }}
    </p>
    <ChoiceRow
      v-model="scheme.value"
      :label="t('settings.threeOrMoreGive')"
      compact
      :options="VALUES"
    />
    <TickBox v-model="scheme.dropsFirst">
      {{ t('settings.firstReadingTakenThrownAway') }}
    </TickBox>
  </div>
</template>

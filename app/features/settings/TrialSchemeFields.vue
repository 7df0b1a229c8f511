<script setup lang="ts">
import { MOST_TRIALS, type TrialOrder, type TrialValue } from '#core'
import type { SchemeDraft } from './useOwnSetDraft'

/** How often folds, or girths, are read, and what their readings give. */
defineProps<{ id: string; unit: 'mm' | 'cm' }>()
const scheme = defineModel<SchemeDraft>({ required: true })

const ORDERS: { value: TrialOrder; name: string }[] = [
  { value: 'rounds', name: 'round by round' },
  { value: 'one site', name: 'one site at a time' },
]
const VALUES: { value: TrialValue; name: string }[] = [
  { value: 'closest two', name: 'mean of the closest two' },
  { value: 'median', name: 'median' },
  { value: 'mean', name: 'mean of all' },
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
    <ChoiceRow v-model="scheme.order" label="Order" compact :options="ORDERS" />
    <div class="grid grid-cols-2 gap-3 sm:grid-cols-4">
      <FieldRow :id="`${id}-count`" label="Readings">
        <select :id="`${id}-count`" v-model="scheme.count" class="field">
          <option v-for="count in counts" :key="count">{{ count }}</option>
        </select>
      </FieldRow>
      <FieldRow :id="`${id}-most`" label="At most">
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
        label="Agree within"
        inputmode="decimal"
      />
      <FieldRow :id="`${id}-tolerance-in`" label="Unit">
        <select :id="`${id}-tolerance-in`" v-model="scheme.toleranceIn" class="field">
          <option value="length">{{ unit }}</option>
          <option value="percent">%</option>
        </select>
      </FieldRow>
    </div>
    <p class="text-faded">
      {{
        Number(scheme.most) > Number(scheme.count)
          ? `Where they are further apart, one more is asked for until two agree, up to ${scheme.most}.`
          : 'No more are asked for, however far apart they are.'
      }}
    </p>
    <ChoiceRow v-model="scheme.value" label="Three or more give" compact :options="VALUES" />
    <TickBox v-model="scheme.dropsFirst">
      a first reading is taken and thrown away: kept on record, counted nowhere
    </TickBox>
  </div>
</template>

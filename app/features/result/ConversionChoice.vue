<script setup lang="ts">
import { CONVERSIONS, convertsFor, type Conversion, type Sex } from '#core'

/** By which line a density becomes a share of fat: one of anybody's, or, when asked for, of a group of that sex. */
const props = defineProps<{ sex: Sex; compact?: boolean }>()
const conversion = defineModel<Conversion>({ required: true })

const withGroups = ref(false)
const options = computed(() =>
  Object.values(CONVERSIONS)
    .filter(({ id, sex }) => !sex || id === conversion.value || withGroups.value)
    .filter(({ id }) => convertsFor(id, props.sex))
    .map(({ id, name, group }) => ({
      ...{ value: id, name: tell(name) },
      ...(group ? { detail: tell(group) } : {}),
    })),
)
</script>

<template>
  <div class="flex flex-wrap items-end gap-x-4">
    <ChoiceRow v-model="conversion" :label="t('common.densityToFat')" :compact :options />
    <button
      v-if="!withGroups"
      type="button"
      class="min-h-11 underline underline-offset-4"
      @click="withGroups = true"
    >
      {{ t('common.ofGroup') }}
    </button>
  </div>
</template>

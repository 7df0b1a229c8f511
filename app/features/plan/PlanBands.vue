<script setup lang="ts">
import { USUAL_DOUBT, weeksAhead, type MassUnit } from '#core'
import type { PicturePoint, PlanDrawn } from './picture-panels'

/** The picture of a plan with its band, which a worker computes, and what it comes to in a line. */
const props = defineProps<{
  plan: PlanDrawn
  points?: PicturePoint[]
  unit: MassUnit
  shown?: boolean
}>()

/** An estimate whose source states no error, points. */
const USUAL_ERROR = 4
const { bands, progress, busy, cancel, again } = usePlanBands(
  computed(() => {
    const { start, regime, weeks } = props.plan
    return {
      ...{ start, regime, weeks: weeksAhead(weeks) },
      doubt: { ...USUAL_DOUBT, fatPoints: start.standardError ?? USUAL_ERROR },
    }
  }),
)
const last = computed(() => bands.value?.at(-1))
const mass = (kg: number) => formatMass(kg, props.unit)
</script>

<template>
  <div>
    <PlanPicture :plan :bands :points :unit :shown />
    <p role="status" class="flex min-h-14 flex-wrap items-center gap-3">
      <template v-if="progress !== undefined">
        <progress :value="progress" max="1" :aria-label="t('plan.outcomesSimulated')" />
        {{ t('plan.simulating', { progress: fixed(progress * 100, 0) }) }}
        <button type="button" class="button" @click="cancel">{{ t('plan.stop') }}</button>
      </template>
      <template v-else-if="last">
        {{
          t(shown ? 'plan.outcomes' : 'plan.outcomesQuiet', {
            low: mass(last.mass[0]),
            high: mass(last.mass[4]),
          })
        }}
      </template>
      <button v-else-if="!busy" type="button" class="button" @click="again">
        {{ t('plan.computeBand') }}
      </button>
    </p>
  </div>
</template>

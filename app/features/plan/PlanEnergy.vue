<script setup lang="ts">
import { ACTIVITIES, RESTING_FORMS, type RestingForm } from '#core'

/** What to eat for it, and where it leads with all that is not known. */
const { advised, form, activity, energy, eaten, weeks, picture, drafted } = usePlanDraft()
const massUnit = useMassUnit()
const mass = (kg: number) => formatMass(kg, massUnit.value)
const drift = computed(() => drafted.value?.drift)
const forms = (Object.keys(RESTING_FORMS) as RestingForm[]).map((value) => ({
  value,
  name: tell(RESTING_FORMS[value].name),
}))
</script>

<template>
  <section class="space-y-3 pt-6">
    <h2 class="border-b-2 border-ink pb-1 text-xl">{{ t('planner.energy2') }}</h2>
    <div class="flex flex-wrap items-end gap-x-6 gap-y-3">
      <div>
        <ChoiceRow v-model="form" :label="t('plan.restingNeed')" compact :options="forms" />
        <p class="pt-1 text-faded">
          {{
            t('planner.advisedNameWhySource', {
              name: RESTING_FORMS[advised.form].name,
              why: advised.why,
              source: RESTING_FORMS[form].source,
            })
          }}
        </p>
      </div>
      <FieldRow id="activity" :label="t('plan.activity')" class="max-w-full min-w-0">
        <select id="activity" v-model.number="activity" class="field">
          <option v-for="a in ACTIVITIES" :key="a.factor" :value="a.factor">
            {{ a.factor }}, {{ tell(a.name) }}
          </option>
        </select>
      </FieldRow>
    </div>
    <p v-if="energy && !energy.ok" role="alert" class="font-bold text-clay">
      {{ wordsOf(energy.error) }}
    </p>
    <template v-if="eaten">
      <p class="text-xl" data-test="energy">
        <strong>{{ t('planner.eat', { kcal: whole(eaten.intakeKcal) }) }}</strong>
        {{
          t(eaten.deficitKcal >= 0 ? 'planner.deficit' : 'planner.surplus', {
            resting: whole(eaten.restingKcal),
            need: whole(eaten.needKcal),
            difference: whole(Math.abs(eaten.deficitKcal)),
            supply: whole(eaten.supplyKcal),
          })
        }}
      </p>
      <p v-for="note in eaten.notes" :key="tell(note)" class="caution">
        {{ tell(note) }}
      </p>
      <p class="min-h-14" data-test="drift">
        <template v-if="drift">{{
          t('planner.twoMethods', {
            count: weeks,
            two: mass(drift.two),
            rule: mass(drift.rule),
            apart: mass(Math.abs(drift.two - drift.rule)),
          })
        }}</template>
      </p>
      <PlanBands v-if="picture" :plan="picture" :unit="massUnit" shown class="pt-2" />
    </template>
  </section>
</template>

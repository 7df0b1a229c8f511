<script setup lang="ts">
import {
  GIRTH_IDS,
  isSkinfold,
  LANDMARK_STANDARD_NAMES,
  LANDMARKS,
  nameOf,
  namesOf,
  type GirthId,
  type LandmarkStandard,
  type SiteId,
} from '#core'

/** Everything that can be typed, by the keyboard through: Enter goes on to the next field. */
const estimate = useQuickEstimate()
const { sex, athlete, standard, conversion, texts, foldUnit, lengthUnit, massUnit } = estimate
const { folds, otherFolds, standardOf, fields, sets, setKey } = estimate

const standards = (['us', 'int', 'dw', 'gym'] as LandmarkStandard[]).map((value) => ({
  value,
  name: LANDMARK_STANDARD_NAMES[value],
}))
const foldUnits = [
  { value: 'mm' as const, name: 'mm' },
  { value: 'in' as const, name: 'in' },
]
const people = [
  { value: 'no', name: 'general' },
  { value: 'yes', name: 'athlete' },
]
/** The waist and what goes with it first: they are what is typed most. */
const GIRTHS_IN_ORDER = [...new Set<GirthId>(['waist', 'hip', 'neck', 'abdomen', ...GIRTH_IDS])]
const TOOLS = [
  { value: 'both' as const, name: 'both' },
  { value: 'caliper' as const, name: 'caliper' },
  { value: 'tape' as const, name: 'tape' },
]
const tool = useCookie<(typeof TOOLS)[number]['value']>('oak-pinch-quick-tool', {
  default: () => 'both',
  ...KEPT_ON_DEVICE,
})
const withFolds = computed(() => tool.value !== 'tape')
const withGirths = computed(() => tool.value !== 'caliper')
const who = computed({
  get: () => (athlete.value ? 'yes' : 'no'),
  set: (to) => (athlete.value = to === 'yes'),
})

/** The field of a fold says where its standard takes it, and what its readings come to. */
const siteFields = (sites: readonly SiteId[]) =>
  sites.map((site) => {
    const { problem } = fields.value[site] ?? {}
    const at =
      isSkinfold(site) && LANDMARKS.find((l) => l.site === site && l.standard === standardOf(site))
    return {
      ...{ id: site, label: nameOf(site), problem },
      title: at ? at.where[sex.value] : undefined,
    }
  })
const setOptions = computed(() =>
  sets.value.map(({ folds: of }) => ({
    key: of.join(' '),
    name: `${of.length} folds: ${namesOf(of)}`,
  })),
)

/** What is chosen of the options, in a line. */
const chosen = computed(() =>
  [
    ...[massUnit.value, lengthUnit.value, foldUnit.value],
    athlete.value ? 'athlete' : 'general',
    conversion.value === 'siri' ? 'Siri' : 'Brožek',
    LANDMARK_STANDARD_NAMES[standard.value].toLowerCase().replace('american', 'American'),
  ].join(' · '),
)

const form = useTemplateRef<HTMLFormElement>('form')
onMounted(() => {
  // Come to from another page, there is nothing that the browser would focus by itself.
  if (document.activeElement === document.body) form.value?.querySelector('input')?.focus()
})

function onEnter(event: KeyboardEvent) {
  const all = [...form.value!.querySelectorAll<HTMLInputElement>('input.field')].filter(
    (field) => field.offsetParent !== null,
  )
  const next = all[all.indexOf(event.target as HTMLInputElement) + 1]
  if (!next) return
  next.focus()
  next.select()
}

/** Empties the form for the next person; units and choices stay. */
function clear() {
  for (const id of Object.keys(texts)) texts[id] = ''
  form.value?.querySelector('input')?.focus()
}
</script>

<template>
  <form ref="form" class="space-y-4" @submit.prevent @keydown.enter.prevent="onEnter">
    <div class="grid grid-cols-2 gap-3 sm:grid-cols-4">
      <TextField
        id="age"
        v-model="texts.age"
        label="Age"
        :error="fields.age?.problem"
        inputmode="numeric"
        autofocus
      />
      <TextField
        id="height"
        v-model="texts.height"
        label="Height"
        :error="fields.height?.problem"
        placeholder="5'10&quot; or 178"
      />
      <TextField
        id="mass"
        v-model="texts.mass"
        :label="`Weight, ${massUnit}`"
        :error="fields.mass?.problem"
        placeholder="or 12 st 4"
      />
      <TextField
        id="sum"
        v-model="texts.sum"
        label="Sum alone, mm"
        :error="fields.sum?.problem"
        inputmode="decimal"
      />
    </div>
    <FieldRow v-if="texts.sum?.trim()" id="summed" label="The sum is of">
      <select id="summed" v-model="setKey" class="field">
        <option value="">{{ setOptions[0]!.name }}</option>
        <option v-for="option in setOptions.slice(1)" :key="option.key" :value="option.key">
          {{ option.name }}
        </option>
      </select>
    </FieldRow>
    <InTurn>
      <div class="flex flex-wrap gap-x-8 gap-y-3">
        <ChoiceRow v-model="sex" label="Sex used by the equations" compact :options="SEX_CHOICES" />
        <ChoiceRow v-model="tool" label="Measured with" compact :options="TOOLS" />
      </div>
    </InTurn>
    <InTurn>
      <FoldOut>
        <template #title>
          Options <span class="font-normal text-faded">{{ chosen }}</span>
        </template>
        <div class="flex flex-wrap gap-x-8 gap-y-3 pb-2">
          <ChoiceRow v-model="massUnit" label="Weight in" compact :options="MASS_UNITS" />
          <ChoiceRow v-model="lengthUnit" label="Girths in" compact :options="LENGTH_UNITS" />
          <ChoiceRow v-model="foldUnit" label="Folds in" compact :options="foldUnits" />
          <ChoiceRow v-model="who" label="Training" compact :options="people" />
          <ConversionChoice v-model="conversion" compact />
          <ChoiceRow
            v-model="standard"
            label="Landmark standard of the folds"
            compact
            :options="standards"
          />
        </div>
      </FoldOut>
    </InTurn>
    <InTurn v-if="withFolds">
      <fieldset>
        <legend class="border-b-2 border-ink pb-1 text-xl font-bold">Folds, {{ foldUnit }}</legend>
        <p class="pt-1 text-faded">
          {{
            foldUnit === 'mm'
              ? 'Several readings as 12/13: their mean counts.'
              : 'Fractions as 3/8; several readings as 3/8; 7/16.'
          }}
        </p>
        <NumberFields :model-value="texts" :fields="siteFields(folds)" class="pt-1" />
      </fieldset>
    </InTurn>
    <InTurn>
      <FoldOut v-if="withFolds && otherFolds.length" title="Folds of other landmark standards">
        <NumberFields :model-value="texts" :fields="siteFields(otherFolds)" />
      </FoldOut>
    </InTurn>
    <InTurn v-if="withGirths">
      <fieldset>
        <legend class="border-b-2 border-ink pb-1 text-xl font-bold">
          Girths, {{ lengthUnit }}
        </legend>
        <NumberFields :model-value="texts" :fields="siteFields(GIRTHS_IN_ORDER)" class="pt-2" />
      </fieldset>
    </InTurn>
    <button type="button" class="button" @click="clear">Next person</button>
  </form>
</template>

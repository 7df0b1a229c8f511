<script setup lang="ts">
import {
  BONE_IDS,
  CONVERSIONS,
  GIRTH_IDS,
  isSkinfold,
  LANDMARK_STANDARDS,
  LANDMARKS,
  type GirthId,
  type SiteId,
} from '#core'

/** Everything that can be typed, by the keyboard through: Enter goes on to the next field. */
const estimate = useQuickEstimate()
const { sex, athlete, puberty, groupTerm, standard, conversion, texts } = estimate
const { foldUnit, lengthUnit, massUnit } = estimate
const { folds, otherFolds, standardOf, fields, sets, setKey } = estimate

const standards = LANDMARK_STANDARDS.map((value) => ({
  value,
  name: standardName(value),
}))
const sexes = sexChoices(sexText)
const foldUnits = [
  { value: 'mm' as const, name: 'mm' },
  { value: 'in' as const, name: 'in' },
]
const people = [
  { value: 'no', name: t('quick.general') },
  { value: 'yes', name: t('quick.athlete') },
]
/** The waist and what goes with it first: they are what is typed most. */
const GIRTHS_IN_ORDER = [...new Set<GirthId>(['waist', 'hip', 'neck', 'abdomen', ...GIRTH_IDS])]
const TOOLS = [
  { value: 'both' as const, name: t('quick.both') },
  { value: 'caliper' as const, name: t('quick.caliper') },
  { value: 'tape' as const, name: t('quick.tape') },
]
const tool = useCookie<(typeof TOOLS)[number]['value']>('oak-pinch-quick-tool', {
  default: () => 'both',
  ...KEPT_ON_DEVICE,
})
const withFolds = computed(() => tool.value !== 'tape')
const withGirths = computed(() => tool.value !== 'caliper')
/** Asked of the young alone: two equations of youth go by it. */
const OLDEST_ASKED = 20
const young = computed(() => (fields.value.age?.value ?? Infinity) <= OLDEST_ASKED)
watch(young, (is) => {
  if (!is) puberty.value = ''
})
const stages = [
  { value: '' as const, name: t('quick.pubertyUnknown') },
  { value: 'before' as const, name: t('quick.pubertyBefore') },
  { value: 'in' as const, name: t('quick.pubertyIn') },
  { value: 'after' as const, name: t('quick.pubertyAfter') },
]
const groupTerms = groupTermChoices()
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
      title: at ? tell(at.where[sex.value]) : undefined,
    }
  })
const setOptions = computed(() =>
  sets.value.map(({ folds: of }) => ({
    key: of.join(' '),
    name: t('quick.foldSet', { count: of.length, folds: namesOf(of) }),
  })),
)

/** What is chosen of the options, in a line. */
const chosen = computed(() =>
  [
    ...[massUnit.value, lengthUnit.value, foldUnit.value],
    athlete.value ? t('quick.athlete') : t('quick.general'),
    tell(CONVERSIONS[conversion.value].name),
    ...groupTerms.flatMap(({ value, name }) =>
      value !== '' && value === groupTerm.value ? [t('quick.groupTermOf', { name })] : [],
    ),
    standardName(standard.value).toLowerCase().replace('american', t('quick.american')),
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
        :label="t('reference.age')"
        :error="fields.age?.problem"
        inputmode="numeric"
        autofocus
      />
      <TextField
        id="height"
        v-model="texts.height"
        :label="t('reference.height')"
        :error="fields.height?.problem"
        :placeholder="t('quick.n510Or178')"
      />
      <TextField
        id="mass"
        v-model="texts.mass"
        :label="t('reference.weightMassunit', { massUnit })"
        :error="fields.mass?.problem"
        :placeholder="t('quick.or12St4')"
      />
      <TextField
        id="sum"
        v-model="texts.sum"
        :label="t('quick.sumAloneMm')"
        :error="fields.sum?.problem"
        inputmode="decimal"
      />
    </div>
    <FieldRow v-if="texts.sum?.trim()" id="summed" :label="t('quick.sum')">
      <select id="summed" v-model="setKey" class="field">
        <option value="">{{ setOptions[0]!.name }}</option>
        <option v-for="option in setOptions.slice(1)" :key="option.key" :value="option.key">
          {{ option.name }}
        </option>
      </select>
    </FieldRow>
    <InTurn>
      <div class="flex flex-wrap gap-x-8 gap-y-3">
        <ChoiceRow v-model="sex" :label="t('quick.sexUsedEquations')" compact :options="sexes" />
        <ChoiceRow v-model="tool" :label="t('quick.measured')" compact :options="TOOLS" />
      </div>
    </InTurn>
    <InTurn>
      <FoldOut>
        <template #title>
          {{ t('quick.options') }} <span class="font-normal text-faded">{{ chosen }}</span>
        </template>
        <div class="flex flex-wrap gap-x-8 gap-y-3 pb-2">
          <ChoiceRow v-model="massUnit" :label="t('quick.weight')" compact :options="MASS_UNITS" />
          <ChoiceRow
            v-model="lengthUnit"
            :label="t('quick.girths')"
            compact
            :options="LENGTH_UNITS"
          />
          <ChoiceRow v-model="foldUnit" :label="t('quick.folds')" compact :options="foldUnits" />
          <ChoiceRow v-model="who" :label="t('quick.training')" compact :options="people" />
          <ConversionChoice v-model="conversion" :sex compact />
          <ChoiceRow
            v-if="young"
            v-model="puberty"
            :label="t('quick.puberty')"
            compact
            :options="stages"
          />
          <ChoiceRow
            v-model="groupTerm"
            :label="t('clientFile.fields.groupTerm')"
            compact
            :options="groupTerms"
          />
          <ChoiceRow
            v-model="standard"
            :label="t('quick.landmarkStandardFolds')"
            compact
            :options="standards"
          />
        </div>
      </FoldOut>
    </InTurn>
    <InTurn v-if="withFolds">
      <fieldset>
        <legend class="border-b-2 border-ink pb-1 text-xl font-bold">
          {{ t('quick.foldsFoldunit', { foldUnit }) }}
        </legend>
        <p class="pt-1 text-faded">
          {{
            foldUnit === 'mm' ? t('quick.severalReadingsAs1213') : t('quick.fractionsAs38Several')
          }}
        </p>
        <NumberFields :model-value="texts" :fields="siteFields(folds)" class="pt-1" />
      </fieldset>
    </InTurn>
    <InTurn>
      <FoldOut
        v-if="withFolds && otherFolds.length"
        :title="t('quick.foldsOtherLandmarkStandards')"
      >
        <NumberFields :model-value="texts" :fields="siteFields(otherFolds)" />
      </FoldOut>
    </InTurn>
    <InTurn v-if="withGirths">
      <fieldset>
        <legend class="border-b-2 border-ink pb-1 text-xl font-bold">
          {{ t('quick.girthsLengthunit', { lengthUnit }) }}
        </legend>
        <NumberFields :model-value="texts" :fields="siteFields(GIRTHS_IN_ORDER)" class="pt-2" />
      </fieldset>
    </InTurn>
    <InTurn v-if="withGirths">
      <FoldOut :title="t('quick.bonesLengthunit', { lengthUnit })">
        <NumberFields :model-value="texts" :fields="siteFields(BONE_IDS)" />
      </FoldOut>
    </InTurn>
    <button type="button" class="button" @click="clear">{{ t('quick.nextPerson') }}</button>
  </form>
</template>

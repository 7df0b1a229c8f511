<script setup lang="ts">
import { girthLandmark, type GirthId, type LengthUnit, type Sex } from '#core'
import type { MyPage } from '#shared/contract/client-side'
import { girthDoubt, girthTyped } from './report-draft'

/** One girth, taken twice, with how it is done. */
const props = defineProps<{
  girth: GirthId
  unit: LengthUnit
  sex: Sex
  last: number | undefined
  note: MyPage['siteNotes'][number] | undefined
}>()
const texts = defineModel<[string, string]>({ required: true })

const showing = ref(false)
const name = computed(() => nameOf(props.girth))
const landmark = computed(() => girthLandmark(props.girth))
const spot = computed(() => spotOf(props.girth, props.sex))
const read = computed(() =>
  texts.value.map((text) =>
    text.trim() === '' ? undefined : girthTyped(text, props.unit, props.girth),
  ),
)
const values = computed(() => read.value.flatMap((one) => (one?.ok ? one.value.value : [])))
const doubt = computed(() => girthDoubt(values.value, props.last))
const set = (at: 0 | 1, text: string) => {
  const now: [string, string] = [...texts.value]
  now[at] = text
  texts.value = now
}
const errorAt = (at: 0 | 1) => {
  const one = read.value[at]
  return one && !one.ok ? wordsOf(one.error) : undefined
}
</script>

<template>
  <div class="border-b border-line py-2" :data-girth="girth">
    <div class="grid grid-cols-[1fr_7.5rem] items-center gap-x-3 gap-y-1">
      <label :for="`${girth}-1`">
        <strong>{{ name }}</strong>
      </label>
      <input
        :id="`${girth}-1`"
        :value="texts[0]"
        class="field figure text-right text-[24px]!"
        inputmode="decimal"
        autocomplete="off"
        :placeholder="unit"
        :aria-invalid="errorAt(0) ? true : undefined"
        @input="set(0, ($event.target as HTMLInputElement).value)"
      />
      <label :for="`${girth}-2`" class="text-faded">{{ t('my.again') }}</label>
      <input
        :id="`${girth}-2`"
        :value="texts[1]"
        class="field figure text-right text-[24px]!"
        inputmode="decimal"
        autocomplete="off"
        :placeholder="unit"
        :aria-invalid="errorAt(1) ? true : undefined"
        @input="set(1, ($event.target as HTMLInputElement).value)"
      />
    </div>
    <p v-if="errorAt(0) ?? errorAt(1)" role="alert" class="pt-1 font-bold text-clay">
      {{ errorAt(0) ?? errorAt(1) }}
    </p>
    <p v-else-if="doubt" class="mt-1 caution" data-test="doubt">
      {{
        doubt === 'apart'
          ? t('my.twoApart')
          : t('my.farFromLast', { last: formatLength(last!, unit) })
      }}
    </p>
    <button
      type="button"
      class="min-h-11 underline"
      :aria-expanded="showing"
      @click="showing = !showing"
    >
      {{ t('my.howTo') }} <span class="sr-only">{{ name }}</span>
    </button>
    <div v-if="showing" class="grid grid-cols-[8rem_1fr] gap-3 pb-2" data-test="how-to">
      <div class="h-44">
        <BodyFigure
          v-if="spot"
          :view="spot.view"
          :build="sex"
          :current="spot"
          :turned="note?.side === 'left'"
          :label="landmark ? tell(landmark.where) : name"
        />
      </div>
      <div class="space-y-1">
        <p v-if="note" class="font-bold">{{ note.text }}</p>
        <p v-if="landmark">{{ tell(landmark.where) }}</p>
        <p v-if="landmark">{{ tell(landmark.how) }}</p>
        <p>{{ t('my.tapeLevel') }}</p>
      </div>
    </div>
  </div>
</template>

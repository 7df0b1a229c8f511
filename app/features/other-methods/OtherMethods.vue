<script setup lang="ts">
import {
  anchoredLevel,
  bandsOf,
  basisOf,
  foldsChange,
  methodChanges,
  OTHER_METHODS,
  plainText,
  seriesBy,
  typedNumber,
  Z95,
  type Measured,
  type OtherMethod,
} from '#core'
import { v4 as newId } from 'uuid'
import type { OtherResultRow } from '#shared/contract/other-results'
import type { ClientRecord } from '#shared/contract/record'
import { otherResults } from '~/contract'

/**
 * What other methods say of a client: the level of the folds put right by them, beside the plain equation and never in its
 * place; and what each method saw change.
 */
const { view, measured, today } = defineProps<{
  view: ClientRecord
  /** Closed check-ins, oldest first. */ measured: readonly (Measured & { measuredOn: string })[]
  today: string
}>()
const emit = defineEmits<{ changed: [results: OtherResultRow[]] }>()

const methodName = (method: OtherMethod) => t(`otherMethods.methods.${method}`)
const newest = computed(() => measured.at(-1))
/** Fat percent of every check-in by the equation of the newest, and its standard error of estimate. */
const folds = computed(() => {
  // Errors at every check-in are worth their time only where something is held against them.
  if (!newest.value || view.otherResults.length === 0) return { levels: [], see: null }
  const basis = basisOf(view.client, newest.value)
  const points = seriesBy(view.client, measured, basis)
  const levels = points.flatMap(({ checkIn, estimate }) => {
    const band = bandsOf(view.client, checkIn, basis).fatPercent
    if (!estimate || !band) return []
    const { fatPercent } = estimate
    return [{ on: checkIn.measuredOn, fatPercent, measuringSd: band.halfWidth / Z95 }]
  })
  return { levels, see: points.at(-1)?.estimate?.standardError ?? null }
})
const anchored = computed(() => {
  const { levels, see } = folds.value
  return see === null ? undefined : anchoredLevel(levels, see, view.otherResults)
})
const level = computed(() => {
  if (!anchored.value) return []
  const { by, readsHighBy, fatPercent, standardError, plainStandardError } = anchored.value
  const off = fixed(Math.abs(readsHighBy), 1)
  const [only, ...more] = by
  const counts = OTHER_METHODS.flatMap((method) => {
    const count = by.filter((one) => one.method === method).length
    return count ? [t('otherMethods.ofMethod', { method: methodName(method), count })] : []
  })
  const what = more.length
    ? { by: t('otherMethods.byResults', { results: counts.join(', ') }), off }
    : {
        by: t('otherMethods.byResult', {
          method: methodName(only!.method),
          day: formatDate(only!.on, true),
        }),
        off,
      }
  return [
    Math.abs(readsHighBy) < 0.05
      ? t('otherMethods.readsTrue', what)
      : readsHighBy < 0
        ? t('otherMethods.readsLow', what)
        : t('otherMethods.readsHigh', what),
    t('otherMethods.corrected', {
      ...{ fat: fixed(fatPercent, 1), error: fixed(standardError, 1) },
      plain: fixed(plainStandardError, 1),
    }),
  ]
})
const plain = computed(() => folds.value.levels.at(-1)?.fatPercent)

/** What each method saw change, and the folds over the same days. */
const changes = computed(() =>
  methodChanges(view.otherResults).map((one) => ({
    ...{ ...one, beside: foldsChange(folds.value.levels, one) },
    name: methodName(one.method),
  })),
)
const said = ({ change, reach }: { change: number; reach: number }) =>
  t('otherMethods.points', { change: signed(change, 1), reach: fixed(reach, 1) })

/* A new one. */
const adding = ref(false)
const blank = () => ({
  ...{ method: 'dxa' as OtherMethod, on: today, device: '', conditions: '' },
  ...{ fatPercent: '', fatKg: '', leanKg: '' },
})
const form = ref(blank())
const { trouble, problems, busy, submit } = useSubmit()
const number = (text: string) => (text.trim() ? (typedNumber(plainText(text)) ?? NaN) : null)
async function keep() {
  const { fatPercent, fatKg, leanKg, ...rest } = form.value
  const body = {
    ...{ ...rest, id: newId(), fatPercent: number(fatPercent) ?? NaN },
    ...{ fatKg: number(fatKg), leanKg: number(leanKg) },
  }
  const params = { id: view.client.id }
  const all = await submit(() => callApi(otherResults.add, { params, body }))
  if (!all) return
  adding.value = false
  form.value = blank()
  emit('changed', all)
}
async function remove(part: string) {
  const params = { id: view.client.id, part }
  const all = await submit(() => callApi(otherResults.remove, { params }))
  if (all) emit('changed', all)
}
</script>

<template>
  <section class="pt-6" data-test="other-methods">
    <ListHead
      :name="t('otherMethods.otherMethods')"
      :to="t('otherMethods.result')"
      @add="adding = true"
    />
    <p v-if="!view.otherResults.length" class="pt-2 text-faded">{{ t('otherMethods.none') }}</p>
    <div v-if="level.length" class="pt-3" data-test="anchored">
      <p class="figure text-2xl sm:text-[30px]">{{ level[1] }}</p>
      <p class="pt-1">{{ level[0] }} {{ t('otherMethods.plain', { fat: fixed(plain!, 1) }) }}</p>
    </div>
    <p v-else-if="view.otherResults.length" class="pt-2 text-faded">
      {{ t('otherMethods.noneNear') }}
    </p>
    <template v-if="changes.length">
      <h3 class="pt-4 text-xl">{{ t('otherMethods.changes') }}</h3>
      <ul data-test="method-changes">
        <li
          v-for="one in changes"
          :key="one.method"
          class="flex flex-wrap items-baseline gap-x-4 border-b border-line py-1"
        >
          <strong class="w-64">{{ one.name }}</strong>
          <span class="text-faded">{{
            t('otherMethods.between', {
              from: formatDate(one.from, true),
              to: formatDate(one.to, true),
            })
          }}</span>
          <component :is="one.clear ? 'strong' : 'span'" class="figure text-lg">{{
            said(one)
          }}</component>
          <span v-if="one.beside" class="text-faded">{{
            t('otherMethods.folds', { change: said(one.beside) })
          }}</span>
        </li>
      </ul>
      <h3 class="pt-4 text-xl">{{ t('otherMethods.results') }}</h3>
    </template>
    <ul v-if="view.otherResults.length" class="pt-2">
      <li
        v-for="one in view.otherResults"
        :key="one.id"
        class="flex flex-wrap items-center gap-x-4 border-b border-line"
      >
        <strong class="w-64">{{ methodName(one.method) }}</strong>
        <span class="w-28">{{ formatDate(one.on, true) }}</span>
        <span class="figure w-24 text-lg">{{
          t('otherMethods.fat', { fat: fixed(one.fatPercent, 1) })
        }}</span>
        <span class="text-faded max-sm:order-last max-sm:basis-full max-sm:pb-2 sm:flex-1">{{
          [one.device, one.conditions].filter(Boolean).join(' · ')
        }}</span>
        <button
          type="button"
          class="ml-auto min-h-11 px-2 text-faded underline"
          @click="remove(one.id)"
        >
          {{ t('otherMethods.remove')
          }}<span class="sr-only">{{
            ` ${methodName(one.method)} ${formatDate(one.on, true)}`
          }}</span>
        </button>
      </li>
    </ul>
    <AlertLine v-if="!adding" :text="trouble" />
    <AskForm
      :title="t('otherMethods.addResult')"
      :open="adding"
      :trouble
      :busy
      :action="t('otherMethods.keep')"
      @close="adding = false"
      @keep="keep"
    >
      <FieldRow id="other-method" :label="t('otherMethods.method')">
        <select id="other-method" v-model="form.method" class="field">
          <option v-for="method in OTHER_METHODS" :key="method" :value="method">
            {{ methodName(method) }}
          </option>
        </select>
      </FieldRow>
      <TextField
        id="other-on"
        v-model="form.on"
        type="date"
        :max="today"
        :label="t('otherMethods.day')"
        :error="problems.on"
      />
      <TextField
        id="other-fat"
        v-model="form.fatPercent"
        inputmode="decimal"
        :label="t('otherMethods.fatPercent')"
        :error="problems.fatPercent"
      />
      <div class="grid gap-4 sm:grid-cols-2">
        <TextField
          id="other-fat-kg"
          v-model="form.fatKg"
          inputmode="decimal"
          :label="t('otherMethods.fatKg')"
          :error="problems.fatKg"
        />
        <TextField
          id="other-lean-kg"
          v-model="form.leanKg"
          inputmode="decimal"
          :label="t('otherMethods.leanKg')"
          :error="problems.leanKg"
        />
      </div>
      <TextField
        id="other-device"
        v-model="form.device"
        maxlength="80"
        :label="t('otherMethods.device')"
      />
      <TextField
        id="other-conditions"
        v-model="form.conditions"
        maxlength="200"
        :label="t('otherMethods.conditions')"
        :hint="t('otherMethods.conditionsHint')"
      />
    </AskForm>
  </section>
</template>

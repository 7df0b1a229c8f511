<script setup lang="ts">
import {
  attempt,
  isoDateOf,
  massIn,
  massOf,
  massTrend,
  oddDays,
  parseWeighIns,
  questionedWeighIns,
  weekdayOf,
  weeklyAverages,
  type WeighIn,
} from '#core'
import { clients, weighIns as routes } from '~/contract'

await breathe()

const { id, view, error, data } = await useClientPart('client.weighIns', routes.list)

const params = { id }
const weighIns = computed(() => data.value ?? [])
const unit = useMassUnit()
const today = isoDateOf(new Date())

const form = reactive({ text: '', last: today })
const { trouble, done, submit, clear } = useSubmit()
/** What is understood of what is typed, before it is kept. */
const read = computed(() =>
  form.text.trim() ? attempt(() => parseWeighIns(form.text, form.last, unit.value)) : undefined,
)
watch(form, () => {
  trouble.value = ''
  confirmed.value = new Set()
})

/** Masses of check-ins; asked for once something is typed, for most who look here only look. */
const ofCheckIns = ref<WeighIn[]>()
async function learnCheckIns() {
  const record = await callApi(clients.record, { params })
  ofCheckIns.value = record.checkIns.flatMap(({ measuredOn, readings }) => {
    const kg = massOf(readings)
    return kg === undefined ? [] : [{ date: measuredOn, kg }]
  })
}
watch(
  () => form.text !== '',
  (typing) => typing && !ofCheckIns.value && void learnCheckIns().catch(() => undefined),
)
const onRecord = computed(() => ({ weighIns: weighIns.value, checkIns: ofCheckIns.value ?? [] }))
/** Days that the coach has said are right as typed. */
const confirmed = ref(new Set<string>())
/** What is asked about before it counts. */
const asked = computed(() =>
  read.value?.ok ? questionedWeighIns(read.value.value, onRecord.value, unit.value) : [],
)
const open = computed(() => asked.value.filter(({ date }) => !confirmed.value.has(date)))
const confirm = (date: string) => (confirmed.value = new Set([...confirmed.value, date]))
/** Writes the days anew, with one of them as it was meant. */
function takeInstead(date: string, kg: number) {
  if (!read.value?.ok) return
  // The other days stay as they were typed.
  const lines = read.value.value.map((day) =>
    day.date === date
      ? `${date} ${fixed(massIn(kg, unit.value), 1)}`
      : `${day.date} ${day.typed.text}`,
  )
  form.text = lines.join('\n')
}

async function keep() {
  clear()
  const found = read.value
  if (!found?.ok) {
    trouble.value = (found && wordsOf(found.error)) ?? t('weighIns.weighInsMissingAcceptedOne')
    return
  }
  if (!ofCheckIns.value) await submit(learnCheckIns)
  if (open.value.length > 0) {
    trouble.value = t('weighIns.answerWhatAskedAboutBelow')
    return
  }
  const count = found.value.length
  const body = { text: form.text, last: form.last, unit: unit.value }
  const said = t('weighIns.savedDays', { count })
  const all = await submit(() => callApi(routes.add, { params, body }), said)
  if (!all) return
  data.value = all
  form.text = ''
}
async function remove(date: string) {
  const all = await submit(() => callApi(routes.remove, { params: { id, date } }))
  if (all) data.value = all
}

const WEEKS_SHOWN = 12
const endsOn = computed(() => view.value?.client.weekEndsOn ?? null)
const weeks = computed(() =>
  weeklyAverages(weighIns.value, endsOn.value).reverse().slice(0, WEEKS_SHOWN),
)
const ending = useSubmit()
/** The client's own week; the empty choice follows the last day weighed. */
const weekEnd = computed({
  get: () => (endsOn.value === null ? '' : String(endsOn.value)),
  set: (chosen) => {
    const body = { weekEndsOn: chosen === '' ? null : Number(chosen) }
    void ending
      .submit(() => callApi(clients.change, { params, body }))
      .then((changed) => changed && refreshNuxtData(`client-${id}`))
  },
})
const TREND_DAYS = 56
const recent = computed(() => weighIns.value.slice(-TREND_DAYS))
const odd = computed(() => {
  const looked = weighIns.value.slice(-(WEEKS_SHOWN + 3) * 7)
  return new Map(oddDays(looked, endsOn.value).map((day) => [day.date, day]))
})
const trend = computed(() => massTrend(recent.value))
const trendWords = computed(() => {
  if (!trend.value) return ''
  const show = (kg: number) => signed(massIn(kg, unit.value), 2)
  const { slope, interval } = trend.value
  const of = { slope: show(slope), unit: unit.value }
  return interval
    ? t('client.trendRange', { ...of, low: show(interval[0]), high: show(interval[1]) })
    : t('client.trendFewPoints', of)
})

const DAY_NAMES = weekdayNames()
const dayName = (date: string) => DAY_NAMES[weekdayOf(date)]!
const short = (date: string) => `${dayName(date)} ${formatDate(date)}`
const daysOf = (from: string, to: string) =>
  weighIns.value.filter(({ date }) => date >= from && date <= to)
</script>

<template>
  <ClientPage :view :error>
    <div class="grid gap-x-12 gap-y-6 lg:grid-cols-[1fr_1.2fr]">
      <InTurn>
        <form class="space-y-3" novalidate @submit.prevent="keep">
          <FieldRow
            id="weigh-ins"
            :label="t('weighIns.weighInsTypedOrPasted')"
            :hint="t('weighIns.sevenOneLineOrOne')"
            :error="trouble"
          >
            <textarea
              id="weigh-ins"
              v-model="form.text"
              class="field figure text-[22px]!"
              rows="4"
              placeholder="62.4 62.1 - 62.8 62.3 62.2 62.5"
              :aria-invalid="!!trouble"
            />
          </FieldRow>
          <div class="flex flex-wrap items-end gap-3">
            <TextField
              id="last"
              v-model="form.last"
              :label="t('weighIns.lastOne')"
              type="date"
              :max="today"
            />
            <MassUnitChoice />
          </div>
          <div v-if="read?.ok" class="border-l-4 border-leaf pl-3" data-test="read-as">
            {{
              t('weighIns.readAs', {
                days: read.value
                  .map((day) => `${short(day.date)} ${formatMass(day.kg, unit)}`)
                  .join(' · '),
              })
            }}
          </div>
          <p v-else-if="read && !trouble" class="border-l-4 border-clay pl-3">
            {{ wordsOf(read.error) }}
          </p>
          <ul v-if="open.length" class="space-y-3" data-test="asked">
            <li
              v-for="{ date, kg, finding, replaces } in open"
              :key="date"
              class="flex flex-wrap items-center gap-3 caution"
            >
              <p class="min-w-52 flex-1">
                <strong>{{ short(date) }}:</strong>
                <template v-if="finding"> {{ tell(finding.evidence) }}</template>
                <template v-if="replaces !== undefined">
                  {{
                    t('weighIns.replaces', {
                      now: formatMass(kg, unit),
                      before: formatMass(replaces, unit),
                    })
                  }}
                </template>
              </p>
              <template v-for="offered in finding?.suggestions ?? []" :key="offered.value">
                <button type="button" class="button" @click="takeInstead(date, offered.value)">
                  {{ t('weighIns.useMass', { mass: formatMass(offered.value, unit) }) }}
                </button>
                <button
                  v-if="offered.second !== undefined"
                  type="button"
                  class="button"
                  @click="takeInstead(date, offered.second)"
                >
                  {{ t('weighIns.useMass', { mass: formatMass(offered.second, unit) }) }}
                </button>
              </template>
              <button type="button" class="button" @click="confirm(date)">
                {{ t('weighIns.isRight', { mass: formatMass(kg, unit) }) }}
              </button>
            </li>
          </ul>
          <div class="flex items-center gap-4">
            <button type="submit" class="button button-lead">{{ t('client.keep') }}</button>
            <span role="status">{{ done }}</span>
          </div>
          <p class="text-faded">
            {{ t('weighIns.morning', { mass: formatMass(0.5, unit) }) }}
          </p>
        </form>
      </InTurn>
      <InTurn>
        <section>
          <h2 class="border-b-2 border-ink pb-1 text-xl">{{ t('weighIns.weeks') }}</h2>
          <p v-if="trendWords" class="pt-2 text-lg" data-test="trend">
            {{ t('weighIns.trendLastCountDays', { count: recent.length }) }}
            <strong>{{ trendWords }}</strong>
          </p>
          <div class="flex flex-wrap items-center gap-x-3 gap-y-1 pt-2">
            <label for="week-end" class="font-bold">{{ t('weighIns.weeksEnd') }}</label>
            <select id="week-end" v-model="weekEnd" class="field w-auto!">
              <option value="">{{ t('weighIns.lastDayWeighed') }}</option>
              <option v-for="(name, i) in DAY_NAMES" :key="name" :value="String(i)">
                {{ name }}
              </option>
            </select>
          </div>
          <AlertLine :text="ending.trouble.value" />
          <p v-if="weeks.length === 0" class="pt-2 text-lg">{{ t('weighIns.noWeighYet') }}</p>
          <ul data-test="weeks">
            <li v-for="week in weeks" :key="week.from" class="border-b border-line pt-2">
              <div class="flex flex-wrap items-baseline gap-x-4">
                <span class="w-36">{{
                  t('weighIns.from2', { from: formatDate(week.from), to: formatDate(week.to) })
                }}</span>
                <span class="figure text-[26px]">{{ formatMass(week.kg, unit) }}</span>
                <span class="text-faded">
                  {{ t('weighIns.daysOfSeven', { count: week.days }) }}
                  <template v-if="week.missing.length">{{
                    t('weighIns.missingDays', { days: week.missing.map(dayName).join(', ') })
                  }}</template>
                </span>
              </div>
              <details>
                <summary class="min-h-11 cursor-pointer py-2">
                  {{ t('weighIns.days') }}
                  <strong
                    v-if="daysOf(week.from, week.to).some(({ date }) => odd.has(date))"
                    class="text-clay"
                    >{{ t('weighIns.possibleOutlier') }}</strong
                  >
                </summary>
                <ul>
                  <li
                    v-for="day in daysOf(week.from, week.to)"
                    :key="day.date"
                    class="flex items-center gap-3"
                  >
                    <span class="w-24">{{ short(day.date) }}</span>
                    <span class="figure w-20 text-right text-[20px]">
                      {{ formatMass(day.kg, unit) }}
                    </span>
                    <span class="flex-1 text-clay">
                      <template v-if="odd.has(day.date)">
                        {{
                          t('weighIns.offTrend', {
                            off: signed(massIn(odd.get(day.date)!.off, unit), 1),
                            unit,
                          })
                        }}
                      </template>
                    </span>
                    <button type="button" class="min-h-11 px-3 underline" @click="remove(day.date)">
                      {{ t('weighIns.takeBack') }}
                      <span class="sr-only">
                        {{ formatMass(day.kg, unit) }}, {{ short(day.date) }}
                      </span>
                    </button>
                  </li>
                </ul>
              </details>
            </li>
          </ul>
        </section>
      </InTurn>
    </div>
  </ClientPage>
</template>

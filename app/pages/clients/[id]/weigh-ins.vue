<script setup lang="ts">
import {
  attempt,
  fixed,
  formatDate,
  formatMass,
  isoDateOf,
  massIn,
  massOf,
  massTrend,
  oddDays,
  parseWeighIns,
  questionedWeighIns,
  signed,
  weekdayOf,
  weeklyAverages,
  type WeighIn,
} from '#core'
import { clients, weighIns as routes } from '~/contract'

await breathe()

const { id, view, error, data } = await useClientPart('weigh-ins', routes.list)

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
    trouble.value = found?.error.message ?? 'Weigh-ins: is missing. Accepted: one mass a day.'
    return
  }
  if (!ofCheckIns.value) await submit(learnCheckIns)
  if (open.value.length > 0) {
    trouble.value = 'Answer what is asked about below first: nothing is saved yet.'
    return
  }
  const count = found.value.length
  const body = { text: form.text, last: form.last, unit: unit.value }
  const said = `Saved ${count} ${count === 1 ? 'day' : 'days'}.`
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
  const between = interval
    ? `, 95 in 100 between ${show(interval[0])} and ${show(interval[1])}`
    : ', too few days for an interval'
  return `${show(slope)} ${unit.value} a week${between}`
})

const DAY_NAMES = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun']
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
            label="Weigh-ins, typed or pasted"
            hint="Seven on one line, or one a line with its day; a dash for a day without."
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
              label="The last one is of"
              type="date"
              :max="today"
            />
            <MassUnitChoice />
          </div>
          <div v-if="read?.ok" class="border-l-4 border-leaf pl-3" data-test="read-as">
            Read as
            {{
              read.value.map((day) => `${short(day.date)} ${formatMass(day.kg, unit)}`).join(' · ')
            }}
          </div>
          <p v-else-if="read && !trouble" class="border-l-4 border-clay pl-3">
            {{ read.error.message }}
          </p>
          <ul v-if="open.length" class="space-y-3" data-test="asked">
            <li
              v-for="{ date, kg, finding, replaces } in open"
              :key="date"
              class="flex flex-wrap items-center gap-3 caution"
            >
              <p class="min-w-52 flex-1">
                <strong>{{ short(date) }}:</strong>
                <template v-if="finding"> {{ finding.evidence }}</template>
                <template v-if="replaces !== undefined">
                  {{ formatMass(kg, unit) }} takes the place of {{ formatMass(replaces, unit) }}.
                </template>
              </p>
              <template v-for="offered in finding?.suggestions ?? []" :key="offered.value">
                <button type="button" class="button" @click="takeInstead(date, offered.value)">
                  Take {{ formatMass(offered.value, unit) }}
                </button>
                <button
                  v-if="offered.second !== undefined"
                  type="button"
                  class="button"
                  @click="takeInstead(date, offered.second)"
                >
                  Take {{ formatMass(offered.second, unit) }}
                </button>
              </template>
              <button type="button" class="button" @click="confirm(date)">
                {{ formatMass(kg, unit) }} is right
              </button>
            </li>
          </ul>
          <div class="flex items-center gap-4">
            <button type="submit" class="button button-lead">Keep</button>
            <span role="status">{{ done }}</span>
          </div>
          <p class="text-faded">
            Morning, after the toilet, before eating and drinking, in the same clothes or none. One
            day swings by half a kilogram and more; the week tells.
          </p>
        </form>
      </InTurn>
      <InTurn>
        <section>
          <h2 class="border-b-2 border-ink pb-1 text-xl">Weeks</h2>
          <p v-if="trendWords" class="pt-2 text-lg" data-test="trend">
            Trend of the last {{ recent.length }} days: <strong>{{ trendWords }}</strong>
          </p>
          <div class="flex items-center gap-3 pt-2">
            <label for="week-end" class="font-bold">Weeks end on</label>
            <select id="week-end" v-model="weekEnd" class="field w-auto!">
              <option value="">the last day weighed</option>
              <option v-for="(name, i) in DAY_NAMES" :key="name" :value="String(i)">
                {{ name }}
              </option>
            </select>
          </div>
          <AlertLine :text="ending.trouble.value" />
          <p v-if="weeks.length === 0" class="pt-2 text-lg">No weigh-in yet.</p>
          <ul data-test="weeks">
            <li v-for="week in weeks" :key="week.from" class="border-b border-line pt-2">
              <div class="flex flex-wrap items-baseline gap-x-4">
                <span class="w-36">{{ formatDate(week.from) }} to {{ formatDate(week.to) }}</span>
                <span class="figure text-[26px]">{{ formatMass(week.kg, unit) }}</span>
                <span class="text-faded">
                  of {{ week.days }} {{ week.days === 1 ? 'day' : 'days'
                  }}<template v-if="week.missing.length"
                    >, without {{ week.missing.map(dayName).join(', ') }}</template
                  >
                </span>
              </div>
              <details>
                <summary class="min-h-11 cursor-pointer py-2">
                  Days
                  <strong
                    v-if="daysOf(week.from, week.to).some(({ date }) => odd.has(date))"
                    class="text-clay"
                    >? one stands out</strong
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
                        {{ signed(massIn(odd.get(day.date)!.off, unit), 1) }} {{ unit }} off the
                        trend: look again; it still counts
                      </template>
                    </span>
                    <button type="button" class="min-h-11 px-3 underline" @click="remove(day.date)">
                      take back<span class="sr-only"
                        >, {{ fixed(massIn(day.kg, unit), 1) }} of {{ short(day.date) }}</span
                      >
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

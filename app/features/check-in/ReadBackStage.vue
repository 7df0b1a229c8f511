<script setup lang="ts">
import { isSkinfold, readingsInForce, schemeOf, type SiteId } from '#core'
import type { SheetRow } from '~/features/check-in/useSiteSheet'

const emit = defineEmits<{ done: []; go: [to?: 'scale'] }>()

const store = useCheckInStore()
const { view, protocol, readings, findings, sheet, lastMass, heightCm } = storeToRefs(store)
const { take } = useTakeReading()
const folds = useSiteSheet('folds')
const girths = useSiteSheet('tape')
const bones = useSiteSheet('bones')
const lengthUnit = useLengthUnit()
const massUnit = useMassUnit()

const on = useTemplateRef<HTMLButtonElement>('on')
onMounted(() => on.value?.focus({ preventScroll: true }))

interface Part {
  name: string
  unit: string
  rows: SheetRow[]
  /** Trials that have a column: the extra ones only where somebody took them. */
  rounds: number[]
  show(value: number | undefined): string
}

const parts = computed<Part[]>(() =>
  [
    { name: t('checkIn.folds'), unit: 'mm', ...partOf(folds) },
    { name: t('checkIn.girths'), unit: lengthUnit.value, ...partOf(girths) },
    { name: t('checkIn.bones'), unit: lengthUnit.value, ...partOf(bones) },
  ].filter(({ rows }) => rows.length > 0),
)
function partOf({ rows, scheme, show }: typeof folds) {
  const { count } = scheme.value
  const last = ({ trials }: SheetRow) => trials.findLastIndex((trial) => trial !== undefined) + 1
  const columns = Math.max(count, ...rows.value.map(last))
  const rounds = Array.from({ length: columns }, (_, i) => i + 1)
  return { rows: rows.value, show, rounds }
}

/** The value of a site by the rules of the protocol, and its change since last time. */
function valueOf({ site }: SheetRow) {
  return sheet.value?.sites[site]?.value
}
function changeOf(row: SheetRow): string {
  const now = valueOf(row)
  if (now === undefined || row.last === undefined) return ''
  const change = now - row.last
  return isSkinfold(row.site) ? signed(change, 1) : signedLength(change, lengthUnit.value)
}

/** What to look at before closing, in words. */
function relocation(row: SheetRow): string {
  const taken = row.trials.filter((t) => t !== undefined).length
  if (row.skipped) return t('checkIn.leftOutSkipped', { skipped: row.skipped })
  if (taken === 0) return t('checkIn.missing')
  if (row.asked) return row.asked
  if (row.apart) return t('checkIn.trialsDoNotAgree')
  const { count } = schemeOf(protocol.value, row.site)
  if (taken >= count) return ''
  return t('checkIn.readingsOf', { count: taken, of: count })
}

const massFinding = computed(() => findings.value.find(({ sites }) => sites.includes('mass')))
/** The scale that sent it. */
const massSentBy = computed(
  () => readingsInForce(readings.value).find(({ kind }) => kind === 'mass')?.sentBy,
)
const toLookAt = computed(
  () =>
    parts.value.flatMap(({ rows }) => rows).filter((row) => relocation(row) !== '').length +
    (massFinding.value || sheet.value?.subject.massKg === undefined ? 1 : 0),
)

const editing = ref<{ site: SiteId; trial: number }>()
const text = ref('')
const problem = ref('')
const pad = useKeypad()
const isOpen = (site: SiteId, trial: number) =>
  editing.value?.site === site && editing.value.trial === trial

function edit(site: SiteId, trial: number) {
  editing.value = { site, trial }
  text.value = ''
  problem.value = ''
  void nextTick(() => document.getElementById('correction')?.focus())
}

useHalfTypedReading(
  'correction',
  text,
  () => editing.value,
  () => parts.value.flatMap(({ rows }) => rows.map(({ site }) => site)),
  ({ site, trial }) => edit(site, trial),
)

const { typedBy, listen } = useInstrumentOfSite(text, () => editing.value)

/** Takes the correction; the value before stays on record as superseded. */
function correct() {
  const taking = take(editing.value!, text.value, typedBy())
  if (taking.ok) stop()
  else problem.value = taking.problem
}

function stop() {
  editing.value = undefined
  text.value = ''
  problem.value = ''
  on.value?.focus()
}

/** A caliper or tape that types corrects the box that is open. */
const sent = listen(() => {
  correct()
  return problem.value === ''
})

/** Everything that was replaced, with when it was typed. */
const replaced = computed(() => {
  const inForce = new Set(readingsInForce(readings.value).map(({ id }) => id))
  return readings.value.filter(({ id }) => !inForce.has(id))
})
const whoOf = (testerId: string | undefined) =>
  view.value!.gym.testers.find(({ id }) => id === (testerId ?? view.value!.checkIn.testerId))?.name
</script>

<template>
  <div
    class="mx-auto w-full max-w-5xl px-4 py-6 sm:px-8"
    :class="{ 'beside-dock': pad && editing }"
  >
    <p class="text-faded">{{ t('checkIn.readBack') }}</p>
    <h2 class="pb-3 text-[36px] sm:text-[44px]" data-test="read-back">
      {{
        toLookAt === 0 ? t('checkIn.nothingLookAtAgain') : t('checkIn.issues', { count: toLookAt })
      }}
    </h2>
    <ScrollTable
      :label="t('checkIn.sheet')"
      :caption="t('checkIn.wholeSheetAgainstLastTime')"
      class="w-full"
    >
      <template v-for="part in parts" :key="part.name">
        <thead>
          <tr class="border-b-2 border-ink text-faded">
            <th scope="col" class="py-1 font-normal max-sm:wrap-anywhere">
              {{ part.name }}, {{ part.unit }}
            </th>
            <!-- On a phone there is no room for it beside a third trial; the change says it. -->
            <th
              scope="col"
              class="px-1 text-right font-normal sm:px-2"
              :class="{ 'max-sm:hidden': part.rounds.length > 2 }"
            >
              {{ t('checkIn.last') }}
            </th>
            <th
              v-for="trial in part.rounds"
              :key="trial"
              scope="col"
              class="px-1 text-right font-normal sm:px-2"
            >
              {{ trial }}
            </th>
            <th scope="col" class="px-1 text-right font-normal max-sm:wrap-anywhere sm:px-2">
              {{ t('checkIn.value') }}
            </th>
            <th scope="col" class="px-1 text-right font-normal max-sm:wrap-anywhere sm:px-2">
              {{ t('checkIn.change') }}
            </th>
            <th scope="col" class="px-2 font-normal max-sm:hidden">{{ t('checkIn.lookAt') }}</th>
          </tr>
        </thead>
        <tbody>
          <template v-for="row in part.rows" :key="row.site">
            <tr class="border-line sm:border-b" :class="{ 'max-sm:border-b': !relocation(row) }">
              <th scope="row" class="py-1 pr-1 max-sm:wrap-anywhere sm:pr-2">{{ row.name }}</th>
              <td
                class="figure px-1 text-right text-[21px] text-faded sm:px-2"
                :class="{ 'max-sm:hidden': part.rounds.length > 2 }"
              >
                {{ part.show(row.last) }}
              </td>
              <td v-for="trial in part.rounds" :key="trial" class="text-right">
                <form v-if="isOpen(row.site, trial)" novalidate @submit.prevent="correct">
                  <label for="correction" class="sr-only">{{
                    t('checkIn.nameTrialTrial', { name: row.name, trial })
                  }}</label>
                  <input
                    id="correction"
                    v-model="text"
                    class="figure h-11 w-20 border-2 border-leaf bg-white px-1 text-right text-[21px]"
                    :inputmode="pad ? 'none' : 'decimal'"
                    autocomplete="off"
                    :placeholder="part.show(row.trials[trial - 1])"
                    aria-describedby="correction-problem"
                    @keydown.esc="stop"
                  />
                </form>
                <button
                  v-else-if="row.trials[trial - 1] !== undefined"
                  type="button"
                  class="figure min-h-11 min-w-11 px-1 text-right sm:min-w-12 sm:px-2 text-[21px] underline decoration-line decoration-dotted underline-offset-4"
                  @click="edit(row.site, trial)"
                >
                  <span class="sr-only"
                    >{{ t('checkIn.correctNameTrialTrial', { name: row.name, trial }) }}
                  </span>
                  {{ part.show(row.trials[trial - 1]) }}
                </button>
              </td>
              <td class="figure px-1 text-right text-[21px] sm:px-2">
                {{ part.show(valueOf(row)) }}
              </td>
              <td class="figure px-1 text-right text-[21px] sm:px-2">{{ changeOf(row) }}</td>
              <td class="max-w-64 min-w-32 px-2 text-clay max-sm:hidden">
                {{ relocation(row) }}
              </td>
            </tr>
            <tr v-if="relocation(row)" class="border-b border-line sm:hidden">
              <td :colspan="4 + part.rounds.length" class="pb-2 leading-snug text-clay">
                {{ relocation(row) }}
              </td>
            </tr>
          </template>
        </tbody>
      </template>
    </ScrollTable>
    <SentLine v-if="!problem && editing" :sent class="pt-3" />
    <p v-if="problem" id="correction-problem" role="alert" class="pt-3 font-bold text-clay">
      {{ problem }}
    </p>
    <p class="flex flex-wrap items-baseline gap-x-4 pt-4 text-lg">
      <strong>{{ t('checkIn.bodyMass') }}</strong>
      <template v-if="sheet?.subject.massKg !== undefined">
        <span class="figure text-[26px]">{{ formatMass(sheet.subject.massKg, massUnit) }}</span>
        <span v-if="massSentBy" class="text-faded" data-test="sent-by">{{
          t('devices.sentBy', { name: massSentBy })
        }}</span>
        <span v-if="lastMass" class="text-faded">
          {{ t('checkIn.lastMass', { mass: formatMass(lastMass.massKg, massUnit) }) }}
        </span>
      </template>
      <span v-else class="text-clay">{{ t('checkIn.notWeighed') }}</span>
      <span v-if="massFinding" class="text-clay">{{ tell(massFinding.evidence) }}</span>
      <template v-if="heightCm !== undefined">
        <strong>{{ t('checkIn.height') }}</strong>
        <span class="figure text-[26px]">{{ formatLength(heightCm, lengthUnit) }}</span>
      </template>
      <span v-else-if="view!.client.heightCm === null" class="text-clay">{{
        t('checkIn.heightMissing')
      }}</span>
      <button type="button" class="button" @click="emit('go', 'scale')">
        {{ sheet?.subject.massKg === undefined ? t('checkIn.weigh') : t('checkIn.correctWeight') }}
      </button>
    </p>
    <details v-if="replaced.length" class="pt-3">
      <summary class="cursor-pointer font-bold">
        {{ t('checkIn.replacedValuesKeptRecord') }}
      </summary>
      <ul class="pt-1">
        <li v-for="reading in replaced" :key="reading.id">
          {{
            t('checkIn.replacedLine', {
              what: reading.site
                ? siteNameIn(protocol, reading.site)
                : reading.kind === 'height'
                  ? t('checkIn.height')
                  : t('checkIn.bodyMass'),
              trial: reading.trial,
              text: reading.typedText,
              time: timeText(reading.takenAt),
              tester: whoOf(reading.testerId),
            })
          }}
        </li>
      </ul>
    </details>
    <div class="flex flex-wrap gap-3 pt-6">
      <button ref="on" type="button" class="button button-lead" @click="emit('done')">
        {{ t('checkIn.result') }}
      </button>
      <button v-if="sheet?.missing.length" type="button" class="button" @click="emit('go')">
        {{ t('checkIn.takeWhatMissing') }}
      </button>
    </div>
  </div>
  <div v-if="pad && editing" class="dock">
    <KeyPad
      :signs="!isSkinfold(editing.site) && lengthUnit === 'in' ? INCH_SIGNS : []"
      @type="text += $event"
      @back="text = text.slice(0, -1)"
      @enter="correct"
    >
      <button type="button" class="button flex-1" @click="stop">{{ t('common.cancel') }}</button>
    </KeyPad>
  </div>
</template>

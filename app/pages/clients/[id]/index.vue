<script setup lang="ts">
import {
  addDays,
  foldSumOf,
  isoDateOf,
  isOtherSetup,
  type Horizon,
  type RecordQuantity,
  massIn,
  WAISTS,
} from '#core'
import { clients } from '~/contract'

await breathe()

const route = useRoute()
const { id, view, error, refresh, patch, measured } = await useClientRecord()
const { start, busy, trouble } = useStartCheckIn()
// The server does not see this part of the address.
const atScreening = ref(false)
onMounted(() => (atScreening.value = route.hash === '#screening'))
const unit = useMassUnit()
const lengthUnit = useLengthUnit()

const ledger = useLedger(view, measured)
const { newest, open, series } = ledger
const { then, now, choose, take } = usePair(view, measured)
const { hiding, shown, asked } = usePercentages(() => view.value?.client)
const today = isoDateOf(new Date())
const { look, headline, phaseBegan } = useLook(view, measured, shown, then)
const units = computed(() => ({ mass: unit.value, length: lengthUnit.value, today }))
// What the page shows at once, in the order in which each needs the one before.
await workOut(then, series, ledger.values, look)

const sumName = computed(() => {
  const followed = ledger.followed.value
  const folds = followed?.folds.map(({ site }) => site)
  return folds && foldSumName(folds, followed!.whole)
})
/** The horizon that the two compared check-ins are, where the coach chose one. */
const horizon = computed<Horizon | undefined>(() => {
  const { horizons } = look.value ?? {}
  if (!route.query.then || now.value !== measured.value.at(-1)) return undefined
  return (['first', 'phase', 'last'] as const).find(
    (of) => horizons?.[of] && horizons[of].since === then.value?.measuredOn,
  )
})
function chooseHorizon(of: Horizon) {
  const since = look.value?.horizons[of]?.since
  const start = measured.value.find(({ measuredOn }) => measuredOn === since)
  if (start) choose({ then: start.id, now: measured.value.at(-1)!.id })
}

/** What is drawn over time: from the phase on where that is chosen, else from the first check-in. */
const drawnFrom = computed(() => (horizon.value === 'phase' ? 'phase' : 'first'))
const course = computed(() => look.value?.course(drawnFrom.value) ?? [])
const drawn = computed<RecordQuantity[]>(() => {
  const leading = leadingOf(Object.keys(course.value.at(-1)?.line ?? {}) as RecordQuantity[])
  return leading.includes('fat') ? ['lean', 'fat'] : leading.slice(0, 2)
})
const marks = computed(() => [
  ...(view.value.planInForce
    ? [{ date: view.value.planInForce.startedOn, words: t('record.planBegan') }]
    : []),
  ...view.value.notes
    .filter(({ kind }) => kind === 'phase')
    .map(({ date, words }) => ({ date, words })),
])
const isOther = (date: string) =>
  measured.value.some((m) => m.measuredOn === date && isOtherSetup(newest.value!, m))

/** The file is asked for when one of its parts is opened: none of it is what the coach came for. */
const {
  data: ofFile,
  error: fileTrouble,
  execute: askFile,
} = useAsyncData(`file-${id}`, () => callApi(clients.file, { params: { id } }), {
  server: false,
  immediate: false,
})
const openFile = () => {
  if (!ofFile.value) void askFile()
}
async function again() {
  await Promise.all([refresh(), askFile()])
}

/** Check-ins from paper that are still being typed in. */
const papers = computed(() =>
  view.value.checkIns.filter(({ closedAt, fromPaper }) => closedAt === null && fromPaper),
)
const paperDate = ref('')
const paperTrouble = ref('')
async function enterPaper() {
  paperTrouble.value = ''
  if (!paperDate.value || paperDate.value > today) {
    paperTrouble.value = t('record.paperDate')
    return
  }
  await start(id, { paperOf: paperDate.value })
}

/** Without an equation there is no curve and no line of fat and lean. */
const estimated = computed(() => series.value.some(({ estimate }) => estimate))

/** Where the client stands, as the last check-in has it. */
const standing = computed(() => {
  const last = series.value.at(-1)?.estimate
  const sum = ledger.sheets.value.length ? foldSumOf(ledger.sheets.value.at(-1)!) : undefined
  if (newest.value && (!shown.value || !last)) {
    if (sum)
      return t('record.standingFolds', { sum: foldSumName(sum.folds, true), mm: fixed(sum.mm, 0) })
    if (!shown.value) return t('record.measured2')
  }
  if (!last) {
    const girths = ledger.sheets.value.at(-1)?.sites
    const waist = WAISTS.find((site) => girths?.[site])
    if (waist) return `${nameOf(waist)} ${formatLength(girths![waist]!.value, lengthUnit.value)}.`
    return newest.value ? t('record.noEstimateFromLastCheck') : t('record.noCheckYet')
  }
  if (last.fatMassKg === undefined)
    return t('record.aboutFatpercentFat', { fatPercent: fixed(last.fatPercent, 0) })
  const show = (kg: number) => `${fixed(massIn(kg, unit.value), 1)} ${unit.value}`
  return t('record.fatFatmasskgLeanLeanmasskg', {
    fatMassKg: show(last.fatMassKg),
    leanMassKg: show(last.leanMassKg!),
  })
})
</script>

<template>
  <ClientPage :view :error>
    <template #act>
      <button
        type="button"
        class="button button-lead"
        :disabled="busy"
        @click="start(view.client.id)"
      >
        {{ open ? t('record.resumeCheck') : t('record.startCheck') }}
      </button>
    </template>
    <AlertLine :text="trouble" />
    <p v-if="view.client.archived" class="pb-3 font-bold text-clay">
      {{ t('record.archivedOutTodayLists') }}
    </p>
    <PercentagesChoice v-if="hiding" v-model="asked" :name="view.client.name" class="pb-3" />
    <!-- With what it takes to work it out. -->
    <InTurn>
      <template v-if="look && headline">
        <h2 class="figure pb-2 text-[34px] leading-tight sm:text-[44px]" data-test="headline">
          {{ headlineText(headline, units) }}
        </h2>
        <div class="grid items-start gap-x-12 gap-y-5 pb-5 lg:grid-cols-[26rem_1fr]">
          <div>
            <p class="pb-2 text-lg">
              {{ t('record.countCheckIns', { count: measured.length }) }}
              <span data-test="standing">{{ standing }}</span>
            </p>
            <RecordSummary
              :look
              :headline
              :units
              :today
              :phase-began
              :doubts="view.doubts"
              :chosen="horizon"
              @choose="chooseHorizon"
            />
          </div>
          <CoursePanels
            v-if="drawn.length && course.length > 1"
            :course
            :quantities="drawn"
            :units
            :changes="look.horizons[drawnFrom]?.changes ?? {}"
            :from="
              drawnFrom === 'phase'
                ? t('record.fromDate', { date: formatDate(course[0]!.date, true) })
                : t('record.fromFirstCheck')
            "
            :marks
            :is-other
          />
        </div>
      </template>
      <p v-else class="figure pb-4 text-[36px] sm:text-[44px]">
        <span data-test="standing">{{ standing }}</span>
      </p>
    </InTurn>
    <InTurn v-if="measured.length" unasked>
      <LedgerSheet
        :view
        :ledger
        :unit
        :percentages="shown && estimated"
        :look
        :then-id="then?.id"
        :now-id="now?.id"
        @take="take"
      />
    </InTurn>
    <p v-else class="text-lg">
      {{ t('record.firstCheckTakesAboutTen') }}
    </p>
    <InTurn v-if="view.selfGirths.length">
      <SelfMeasured :view :today :alone="measured.length === 0" />
    </InTurn>
    <InTurn v-if="shown">
      <OtherMethods :view :measured :today @changed="patch({ otherResults: $event })" />
    </InTurn>
    <InTurn v-if="look && then && now">
      <BetweenDates class="pt-6" :look :units :then :now :horizon :sum-name />
    </InTurn>
    <InTurn>
      <MassUnitChoice class="pt-4" />
    </InTurn>
    <p v-if="newest" class="pt-4 text-faded">
      {{
        t('record.nextCheckInFrom', {
          day: formatDate(addDays(newest.measuredOn, view.client.cadenceDays), true),
        })
      }}
    </p>
    <div class="space-y-3 pt-6">
      <InTurn>
        <FoldOut
          id="screening"
          class="border-t-2 border-line pt-2"
          :open="atScreening"
          @opened="openFile"
        >
          <template #title>
            {{ t('record.privateScreening') }}
            <span class="font-normal text-faded">
              {{
                view.screenedOn
                  ? t('record.reviewed', { day: formatDate(view.screenedOn, true) })
                  : t('record.nothingAskedYet')
              }}
            </span>
          </template>
          <AlertLine :text="fileTrouble?.message" />
          <ScreeningPanel
            v-if="ofFile"
            :client-id="view.client.id"
            :screening="ofFile.screening"
            :today
            @kept="again"
          />
        </FoldOut>
      </InTurn>
      <InTurn>
        <FoldOut :title="t('record.pastCheckFromPaper')" class="border-t-2 border-line pt-2">
          <form class="flex max-w-xl flex-wrap items-end gap-3" @submit.prevent="enterPaper">
            <TextField
              id="paper-date"
              v-model="paperDate"
              :label="t('record.dateSheet')"
              :error="paperTrouble"
              type="date"
              :max="today"
            />
            <button type="submit" class="button">{{ t('record.type') }}</button>
          </form>
          <ul v-if="papers.length" class="pt-2">
            <li v-for="paper in papers" :key="paper.id">
              <NuxtLink :to="`/check-in/${paper.id}`" class="underline">
                {{ t('record.continueSheet', { day: formatDate(paper.measuredOn, true) }) }}
              </NuxtLink>
            </li>
          </ul>
        </FoldOut>
      </InTurn>
      <InTurn v-if="view.voided">
        <FoldOut
          :title="t('record.voidedCheckIns', { count: view.voided })"
          class="border-t-2 border-line pt-2"
          @opened="openFile"
        >
          <ul v-if="ofFile">
            <li
              v-for="checkIn in ofFile.voided"
              :key="checkIn.id"
              class="border-b border-line py-2"
            >
              <p>
                {{
                  t('record.voidedLine', {
                    day: formatDate(checkIn.measuredOn, true),
                    count: checkIn.readings,
                    reason: checkIn.reason,
                  })
                }}
              </p>
              <CheckInRepair :check-in :client-id="id" voided @done="again" />
            </li>
          </ul>
        </FoldOut>
      </InTurn>
      <InTurn>
        <FoldOut
          :title="t('record.editChangeLogArchive')"
          class="border-t-2 border-line pt-2"
          @opened="openFile"
        >
          <AlertLine :text="fileTrouble?.message" />
          <ClientFile v-if="ofFile" :client="view.client" :file="ofFile" :today @changed="again" />
        </FoldOut>
      </InTurn>
    </div>
  </ClientPage>
</template>

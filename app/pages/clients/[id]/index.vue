<script setup lang="ts">
import {
  addDays,
  fixed,
  foldSumName,
  foldSumOf,
  formatDate,
  formatLength,
  isoDateOf,
  lookAtRecord,
  massIn,
  nameOf,
  WAISTS,
} from '#core'
import { clients } from '~/contract'

await breathe()

const route = useRoute()
const { id, view, error, refresh, measured } = await useClientRecord()
const { start, busy, trouble } = useStartCheckIn()
// The server does not see this part of the address.
const atScreening = ref(false)
onMounted(() => (atScreening.value = route.hash === '#screening'))
const unit = useMassUnit()
const lengthUnit = useLengthUnit()

const ledger = useLedger(view, measured)
const { newest, open, series } = ledger
const { then, now, judgement, massKg, take } = usePair(view, measured)
const { hiding, shown, asked } = usePercentages(() => view.value?.client)
const today = isoDateOf(new Date())
/** What the whole record says at its newest check-in; one check-in has nothing to be held against. */
const look = computed(() => {
  if (measured.value.length < 2) return undefined
  const { client: person, weighIns, planInForce } = view.value
  const found = lookAtRecord({
    ...{ person, checkIns: measured.value, weighIns, weekEndsOn: person.weekEndsOn },
    fatAndLean: shown.value,
    phaseStarts: planInForce ? [planInForce.startedOn] : [],
  })
  return found && Object.keys(found.horizons).length ? found : undefined
})
// What the page shows at once, in the order in which each needs the one before.
await workOut(then, series, ledger.values, look)

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
    paperTrouble.value = `Date of the sheet: ${paperDate.value ? `got ${paperDate.value}` : 'is missing'}. Accepted: today or a date before.`
    return
  }
  await start(id, paperDate.value)
}

/** Without an equation there is no curve and no line of fat and lean. */
const estimated = computed(() => series.value.some(({ estimate }) => estimate))

/** Where the client stands, as the last check-in has it. */
const standing = computed(() => {
  const last = series.value.at(-1)?.estimate
  const sum = ledger.sheets.value.length ? foldSumOf(ledger.sheets.value.at(-1)!) : undefined
  if (newest.value && (!shown.value || !last)) {
    if (sum) return `${foldSumName(sum.folds, true)} ${fixed(sum.mm, 0)} mm.`
    if (!shown.value) return 'Measured.'
  }
  if (!last) {
    const girths = ledger.sheets.value.at(-1)?.sites
    const waist = WAISTS.find((site) => girths?.[site])
    if (waist) return `${nameOf(waist)} ${formatLength(girths![waist]!.value, lengthUnit.value)}.`
    return newest.value ? 'No estimate from the last check-in.' : 'No check-in yet.'
  }
  if (last.fatMassKg === undefined) return `About ${fixed(last.fatPercent, 0)} % fat.`
  const show = (kg: number) => `${fixed(massIn(kg, unit.value), 1)} ${unit.value}`
  return `Fat ${show(last.fatMassKg)}, lean ${show(last.leanMassKg!)}.`
})
</script>

<template>
  <ClientPage :view :error>
    <div class="flex flex-wrap items-start justify-between gap-x-6 gap-y-3 pb-4">
      <div class="min-w-0 flex-1 basis-[420px]">
        <!-- With what it takes to work it out. -->
        <InTurn>
          <RecordSummary v-if="look" :look :unit :cadence-days="view.client.cadenceDays" />
          <p :class="look ? 'pt-2 text-lg' : 'figure text-[36px] sm:text-[44px]'">
            <template v-if="look">Now: </template>
            <span data-test="standing">{{ standing }}</span>
          </p>
        </InTurn>
      </div>
      <div class="flex flex-wrap items-center gap-3">
        <InTurn>
          <MassUnitChoice />
        </InTurn>
        <button
          type="button"
          class="button button-lead"
          :disabled="busy"
          @click="start(view.client.id)"
        >
          {{ open ? 'Resume the check-in' : 'Start a check-in' }}
        </button>
      </div>
    </div>
    <AlertLine :text="trouble" />
    <p v-if="view.client.archived" class="pb-3 font-bold text-clay">
      Archived: out of Today and the lists.
    </p>
    <PercentagesChoice v-if="hiding" v-model="asked" :name="view.client.name" class="pb-3" />
    <InTurn v-if="measured.length" unasked>
      <LedgerSheet
        :view
        :ledger
        :unit
        :percentages="shown && estimated"
        :then-id="then?.id"
        :now-id="now?.id"
        @take="take"
      />
    </InTurn>
    <p v-else class="text-lg">
      The first check-in takes about ten minutes: folds twice round, then the scale.
    </p>
    <InTurn v-if="then && now">
      <template v-if="judgement">
        <ChangeSentence :judgement :unit :percentages="shown" :mass-kg class="pt-6" />
        <VerdictTable :judgement :unit :percentages="shown" class="pt-5" />
      </template>
    </InTurn>
    <p v-if="newest" class="pt-4 text-faded">
      Next check-in from
      {{ formatDate(addDays(newest.measuredOn, view.client.cadenceDays), true) }}.
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
            Private screening
            <span class="font-normal text-faded">
              {{
                view.screenedOn
                  ? `looked through ${formatDate(view.screenedOn, true)}`
                  : 'nothing asked yet'
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
        <FoldOut title="Past check-in from paper" class="border-t-2 border-line pt-2">
          <form class="flex max-w-xl flex-wrap items-end gap-3" @submit.prevent="enterPaper">
            <TextField
              id="paper-date"
              v-model="paperDate"
              label="Date of the sheet"
              :error="paperTrouble"
              type="date"
              :max="today"
            />
            <button type="submit" class="button">Type it in</button>
          </form>
          <ul v-if="papers.length" class="pt-2">
            <li v-for="paper in papers" :key="paper.id">
              <NuxtLink :to="`/check-in/${paper.id}`" class="underline">
                Go on with the sheet of {{ formatDate(paper.measuredOn, true) }}
              </NuxtLink>
            </li>
          </ul>
        </FoldOut>
      </InTurn>
      <InTurn v-if="view.voided">
        <FoldOut
          :title="`Voided check-ins (${view.voided})`"
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
                {{ formatDate(checkIn.measuredOn, true) }}, {{ checkIn.readings }} readings:
                {{ checkIn.reason }}
              </p>
              <CheckInRepair :check-in :client-id="id" voided @done="again" />
            </li>
          </ul>
        </FoldOut>
      </InTurn>
      <InTurn>
        <FoldOut
          title="Edit, change log, archive"
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

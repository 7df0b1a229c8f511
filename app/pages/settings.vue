<script setup lang="ts">
import {
  GIRTH_IDS,
  LANDMARKS,
  nameOf,
  ownProtocol,
  plainText,
  typedNumber,
  PROTOCOLS,
  LANDMARK_STANDARD_NAMES,
  type GirthId,
  type OwnProtocol,
  type LandmarkStandard,
  type SkinfoldId,
  type Tolerance,
} from '#core'
import type { Gym, SettingsChange } from '#shared/contract/equipment'
import { clients, gym as routes } from '~/contract'

await breathe()

const { data, error } = await useAsyncData('gym', () => callApi(routes.view, {}))
const gym = computed(() => data.value as Gym)
const { data: archived } = await useAsyncData('archive', () => callApi(clients.archived, {}))
await breathe()
useHead({ title: 'Settings · Oak Pinch' })

const massUnit = useMassUnit()
const lengthUnit = useLengthUnit()
const rangeTable = useRangeTable()
const cue = useCueChoice()
const voice = useVoiceChoice()

const { trouble, submit } = useSubmit()
async function take(call: () => Promise<Gym>) {
  const gymNow = await submit(call)
  if (gymNow) data.value = gymNow
  return gymNow
}
const change = (body: SettingsChange) => take(() => callApi(routes.change, { body }))

const standards = (['us', 'int', 'dw', 'gym'] as LandmarkStandard[]).map((value) => ({
  value,
  name: LANDMARK_STANDARD_NAMES[value],
}))
const standard = computed({
  get: () => gym.value.settings.standard,
  set: (to) => void change({ standard: to }),
})
const protocolOptions = computed(() => [
  ...PROTOCOLS.map(({ id, name, standard: of }) => ({ id, name, standard: of })),
  ...gym.value.ownProtocols.map(({ id, name, standard: of }) => ({ id, name, standard: of })),
])

const TOLERANCES: { value: string; name: string; tolerance: Tolerance | null }[] = [
  { value: 'set', name: 'as each set says', tolerance: null },
  { value: '1', name: '1 mm', tolerance: { kind: 'mm', value: 1 } },
  { value: '2', name: '2 mm', tolerance: { kind: 'mm', value: 2 } },
  {
    value: '5%',
    name: '5 %, or one graduation',
    tolerance: { kind: 'percent', value: 5, atLeast: 0.5 },
  },
]
const tolerance = computed({
  get: () => {
    const now = gym.value.settings.tolerance
    const same = (t: Tolerance | null) => t?.kind === now?.kind && t?.value === now?.value
    return TOLERANCES.find((t) => same(t.tolerance))?.value ?? 'set'
  },
  set: (to) => void change({ tolerance: TOLERANCES.find(({ value }) => value === to)!.tolerance }),
})

/* Own sets. */
interface Draft {
  id: string
  name: string
  standard: LandmarkStandard
  folds: SkinfoldId[]
  girths: GirthId[]
  rounds: string
  toleranceMm: string
}
const draft = ref<Draft>()
/** The rules of a set, which come with the first one that is opened. */
const rules = shallowRef<(typeof import('#shared/contract/equipment'))['ownProtocolSchema']>()
function begin(from?: OwnProtocol) {
  void import('#shared/contract/equipment').then((m) => (rules.value = m.ownProtocolSchema))
  trouble.value = ''
  draft.value = {
    id: from?.id ?? '',
    name: from?.name ?? '',
    standard: from?.standard ?? standard.value,
    folds: [...(from?.folds ?? [])],
    girths: [...(from?.girths ?? [])],
    rounds: String(from?.rounds ?? 2),
    toleranceMm: String(from?.toleranceMm ?? 2),
  }
}
const foldsOfStandard = computed(() => {
  const of = draft.value?.standard
  return LANDMARKS.filter((l) => l.standard === of || l.site === 'lower_back').map(
    ({ site }) => site,
  )
})
watch(
  () => draft.value?.standard,
  () => {
    if (draft.value) {
      draft.value.folds = draft.value.folds.filter((f) => foldsOfStandard.value.includes(f))
    }
  },
)
/** Sites are taken in the order in which they are chosen. */
const definition = computed<OwnProtocol | undefined>(() => {
  if (!draft.value) return undefined
  const { id, name, rounds, toleranceMm, ...rest } = draft.value
  const slug = name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 40)
  return {
    ...rest,
    name,
    id: id || `own-${slug || 'set'}`,
    rounds: Number(rounds),
    toleranceMm: typedNumber(plainText(toleranceMm)) ?? NaN,
  }
})
/** The equations that the draft would feed, for both sexes. */
const fed = computed(() => {
  const own = rules.value?.safeParse(definition.value)
  if (!own?.success) return undefined
  const { equations } = ownProtocol(own.data)
  return new Set([...equations.male, ...equations.female]).size
})
async function save() {
  if (await take(() => callApi(routes.keepProtocol, { body: definition.value }))) {
    draft.value = undefined
  }
}
const retire = (id: string) => take(() => callApi(routes.removeProtocol, { params: { id } }))
</script>

<template>
  <main class="mx-auto max-w-4xl space-y-8 px-4 py-6 sm:px-6">
    <h1 class="text-[40px]">Settings</h1>
    <p v-if="error" role="alert" class="font-bold text-clay">{{ error.message }}</p>
    <template v-else>
      <InTurn>
        <section class="space-y-4">
          <h2 class="border-b-2 border-ink pb-1 text-2xl">On this device</h2>
          <div class="flex flex-wrap gap-x-10 gap-y-4">
            <ChoiceRow v-model="massUnit" label="Masses in" :options="MASS_UNITS" />
            <ChoiceRow v-model="lengthUnit" label="Girths in" :options="LENGTH_UNITS" />
          </div>
          <FieldRow id="settings-range" label="Range table">
            <select id="settings-range" v-model="rangeTable" class="field max-w-md">
              <option v-for="table in FAT_TABLES" :key="table.id" :value="table.id">
                {{ table.name }} ({{ table.source }})
              </option>
            </select>
          </FieldRow>
          <fieldset>
            <legend class="pb-1 font-bold">Sounds and signs</legend>
            <TickBox v-model="cue.sound">the read cue sounds</TickBox>
            <TickBox v-model="cue.ring">the read cue shows a ring</TickBox>
            <TickBox v-model="voice"
              >each reading is said back, where the browser has a voice</TickBox
            >
          </fieldset>
        </section>
      </InTurn>
      <InTurn>
        <section class="space-y-4">
          <h2 class="border-b-2 border-ink pb-1 text-2xl">In this gym, for check-ins to come</h2>
          <FieldRow
            id="default-protocol"
            label="Protocol of a first check-in"
            hint="Later ones keep the client’s own."
          >
            <select
              id="default-protocol"
              class="field max-w-md"
              :value="gym.settings.defaultProtocolId"
              @change="change({ defaultProtocolId: ($event.target as HTMLSelectElement).value })"
            >
              <option v-for="p in protocolOptions" :key="p.id" :value="p.id">
                {{ p.name }} · {{ LANDMARK_STANDARD_NAMES[p.standard] }}
              </option>
            </select>
          </FieldRow>
          <ChoiceRow
            v-model="standard"
            label="Landmark standard, where nothing else says one"
            compact
            :options="standards"
          />
          <ChoiceRow
            v-model="tolerance"
            label="A fold is asked for again when the two differ by more than"
            compact
            :options="TOLERANCES"
          />
          <p class="text-faded">
            A check-in keeps the rule it was started with; girths keep each standard’s own.
          </p>
        </section>
      </InTurn>
      <InTurn>
        <section class="space-y-3">
          <h2 class="flex items-end justify-between border-b-2 border-ink pb-1 text-2xl">
            Sets of your own
            <button type="button" class="button font-text text-base" @click="begin()">
              Add a set
            </button>
          </h2>
          <ul>
            <li
              v-for="own in gym.ownProtocols"
              :key="own.id"
              class="flex flex-wrap items-center gap-3 border-b border-line py-2"
            >
              <p class="min-w-52 flex-1">
                <strong class="text-lg">{{ own.name }}</strong>
                <span class="block text-faded">
                  {{ [...own.folds, ...own.girths].map(nameOf).join(', ') }}
                </span>
              </p>
              <NamedButton :of="own.name" @click="begin(own)">Edit</NamedButton>
              <NamedButton :of="own.name" @click="retire(own.id)">Put away</NamedButton>
            </li>
          </ul>
          <p v-if="gym.ownProtocols.length === 0" class="text-faded">None yet.</p>
        </section>
      </InTurn>
      <InTurn v-if="archived?.length">
        <section class="space-y-3">
          <h2 class="border-b-2 border-ink pb-1 text-2xl">Archived clients</h2>
          <ul>
            <li v-for="client in archived" :key="client.id">
              <NuxtLink :to="`/clients/${client.id}`" class="inline-block py-2 underline">
                {{ client.name }}
              </NuxtLink>
            </li>
          </ul>
        </section>
      </InTurn>
      <p v-if="trouble && !draft" role="alert" class="font-bold text-clay">{{ trouble }}</p>
    </template>
    <AskDialog title="A set of your own" :open="draft !== undefined" @close="draft = undefined">
      <form v-if="draft" class="space-y-4" novalidate @submit.prevent="save">
        <TextField id="own-name" v-model="draft.name" label="Name" maxlength="60" />
        <ChoiceRow
          v-model="draft.standard"
          label="Landmark standard"
          compact
          :options="standards"
        />
        <SiteToggles
          v-model="draft.folds"
          label="Folds, in the order you tick them"
          :sites="foldsOfStandard"
        />
        <SiteToggles v-model="draft.girths" label="Girths" :sites="GIRTH_IDS" />
        <div class="grid grid-cols-2 gap-4">
          <TextField
            id="own-rounds"
            v-model="draft.rounds"
            label="Rounds, 1 to 3"
            inputmode="numeric"
          />
          <TextField
            id="own-tolerance"
            v-model="draft.toleranceMm"
            label="Tolerance, mm"
            inputmode="decimal"
          />
        </div>
        <p v-if="fed !== undefined" role="status">
          {{ fed === 0 ? 'Feeds no equation: a record only.' : `Feeds ${fed} equations.` }}
        </p>
        <AlertLine :text="trouble" />
        <button type="submit" class="button button-lead">Keep the set</button>
      </form>
    </AskDialog>
  </main>
</template>

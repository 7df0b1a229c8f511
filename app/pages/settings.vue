<script setup lang="ts">
import { LANDMARK_STANDARDS, PROTOCOLS, type OwnProtocol, type Tolerance } from '#core'
import type { Gym, SettingsChange } from '#shared/contract/equipment'
import BackupsPanel from '~/features/settings/BackupsPanel.vue'
import AccessPanel from '~/features/settings/AccessPanel.vue'
import PhonesPanel from '~/features/settings/PhonesPanel.vue'
import LetterheadForm from '~/features/settings/LetterheadForm.vue'
import MyAccess from '~/features/settings/MyAccess.vue'
import RecordsPanel from '~/features/records/RecordsPanel.vue'
import { access, backups, clients, exchange, gym as routes } from '~/contract'

await breathe()

const { data, error } = await useAsyncData('gym', () => callApi(routes.view, {}))
const gym = computed({
  get: () => data.value as Gym,
  set: (now) => (data.value = now),
})
const { can, signsIn } = useMe()
const { data: archived } = await useAsyncData('archive', async () =>
  can('clients.list') ? callApi(clients.archived, {}) : [],
)
const { data: backedUp } = await useAsyncData('backups', async () =>
  can('gym.keep') ? callApi(backups.view, {}) : null,
)
const { data: imports } = await useAsyncData('imports', async () =>
  can('gym.keep')
    ? Promise.all([callApi(exchange.imports, {}), callApi(exchange.sheetKeys, {})])
    : null,
)
const { data: letIn } = await useAsyncData('access', async () =>
  can('gym.govern') ? callApi(access.view, {}) : null,
)
const { data: phones } = await useAsyncData('phones', async () =>
  can('gym.govern') ? callApi(access.phones, {}) : null,
)
await breathe()
usePageTitle(() => t('settings.settings'))

const { language, languages } = useLanguageChoice()
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

const standards = LANDMARK_STANDARDS.map((value) => ({
  value,
  name: standardName(value),
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
  { value: 'set', name: t('settings.asEachSetSays'), tolerance: null },
  { value: '1', name: '1 mm', tolerance: { kind: 'mm', value: 1 } },
  { value: '2', name: '2 mm', tolerance: { kind: 'mm', value: 2 } },
  {
    value: '5%',
    name: t('settings.n5OrOneGraduation'),
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

const own = useOwnSetDraft(() => standard.value)
const { draft, definition } = own
function begin(from?: OwnProtocol) {
  trouble.value = ''
  own.begin(from)
}
async function save() {
  if (await take(() => callApi(routes.keepProtocol, { body: definition.value }))) {
    draft.value = undefined
  }
}
const retire = (id: string) => take(() => callApi(routes.removeProtocol, { params: { id } }))
</script>

<template>
  <main class="mx-auto max-w-4xl space-y-8 px-4 py-6 sm:px-6">
    <h1 class="text-[40px]">{{ t('settings.settings') }}</h1>
    <LoadTrouble v-if="error" :error />
    <template v-else>
      <InTurn>
        <section class="space-y-4">
          <h2 class="border-b-2 border-ink pb-1 text-2xl">{{ t('settings.thisDevice') }}</h2>
          <FieldRow
            id="language"
            :label="t('settings.language')"
            :hint="t('settings.languageHint')"
          >
            <select id="language" v-model="language" class="field max-w-md">
              <option v-for="{ value, name } in languages" :key="value" :value>
                {{ name }}
              </option>
            </select>
          </FieldRow>
          <div class="flex flex-wrap gap-x-10 gap-y-4">
            <ChoiceRow v-model="massUnit" :label="t('settings.masses')" :options="MASS_UNITS" />
            <ChoiceRow
              v-model="lengthUnit"
              :label="t('settings.girths2')"
              :options="LENGTH_UNITS"
            />
          </div>
          <FieldRow id="settings-range" :label="t('settings.rangeTable')">
            <select id="settings-range" v-model="rangeTable" class="field max-w-md">
              <option v-for="table in FAT_TABLES" :key="table.id" :value="table.id">
                {{ tell(table.name) }} ({{ tell(table.source) }})
              </option>
            </select>
          </FieldRow>
          <fieldset>
            <legend class="pb-1 font-bold">{{ t('settings.soundsSigns') }}</legend>
            <TickBox v-model="cue.sound">{{ t('settings.readCueSounds') }}</TickBox>
            <TickBox v-model="cue.ring">{{ t('settings.readCueShowsRing') }}</TickBox>
            <TickBox v-model="voice">{{ t('settings.eachReadingSaidBackWhere') }}</TickBox>
          </fieldset>
        </section>
      </InTurn>
      <InTurn v-if="signsIn">
        <section class="space-y-4">
          <h2 class="border-b-2 border-ink pb-1 text-2xl">{{ t('access.you') }}</h2>
          <MyAccess />
        </section>
      </InTurn>
      <InTurn v-if="can('gym.equip')">
        <section class="space-y-4">
          <h2 class="border-b-2 border-ink pb-1 text-2xl">
            {{ t('settings.thisGymCheckInsCome') }}
          </h2>
          <FieldRow
            id="default-protocol"
            :label="t('settings.protocolFirstCheck')"
            :hint="t('settings.laterOnesKeepClientS')"
          >
            <select
              id="default-protocol"
              class="field max-w-md"
              :value="gym.settings.defaultProtocolId"
              @change="change({ defaultProtocolId: ($event.target as HTMLSelectElement).value })"
            >
              <option v-for="p in protocolOptions" :key="p.id" :value="p.id">
                {{ tell(p.name) }} · {{ standardName(p.standard) }}
              </option>
            </select>
          </FieldRow>
          <ChoiceRow
            v-model="standard"
            :label="t('settings.landmarkStandardWhereNothingElse')"
            compact
            :options="standards"
          />
          <ChoiceRow
            v-model="tolerance"
            :label="t('settings.foldAskedAgainWhenTwo')"
            compact
            :options="TOLERANCES"
          />
          <p class="text-faded">
            {{ t('settings.checkKeepsRuleWasStarted') }}
          </p>
        </section>
      </InTurn>
      <InTurn v-if="can('gym.equip')">
        <section id="letterhead" class="space-y-4">
          <h2 class="border-b-2 border-ink pb-1 text-2xl">{{ t('settings.onPaper') }}</h2>
          <LetterheadForm v-model="gym" />
        </section>
      </InTurn>
      <InTurn v-if="can('gym.equip')">
        <section class="space-y-3">
          <ListHead :name="t('settings.setsYourOwn')" :add="t('settings.addSet')" @add="begin()" />
          <ul>
            <li
              v-for="set in gym.ownProtocols"
              :key="set.id"
              class="flex flex-wrap items-center gap-3 border-b border-line py-2"
            >
              <p class="min-w-52 flex-1">
                <strong class="text-lg">{{ set.name }}</strong>
                <span class="block text-faded">
                  {{
                    [...set.folds, ...set.girths, ...(set.bones ?? [])]
                      .map((site) => siteNameIn(set, site))
                      .join(', ')
                  }}
                </span>
              </p>
              <NamedButton :of="set.name" @click="begin(set)">{{ t('settings.edit') }}</NamedButton>
              <NamedButton :of="set.name" @click="retire(set.id)">{{
                t('settings.putAway')
              }}</NamedButton>
            </li>
          </ul>
          <p v-if="gym.ownProtocols.length === 0" class="text-faded">{{ t('settings.noneYet') }}</p>
        </section>
      </InTurn>
      <InTurn v-if="letIn">
        <section id="access" class="space-y-4">
          <h2 class="border-b-2 border-ink pb-1 text-2xl">{{ t('access.people') }}</h2>
          <AccessPanel :start="letIn" :testers="gym.testers" />
        </section>
      </InTurn>
      <InTurn v-if="signsIn && phones">
        <section id="phones" class="space-y-4">
          <h2 class="border-b-2 border-ink pb-1 text-2xl">{{ t('access.phones') }}</h2>
          <PhonesPanel :start="phones" />
        </section>
      </InTurn>
      <InTurn v-if="backedUp">
        <section id="backups" class="space-y-4">
          <h2 class="border-b-2 border-ink pb-1 text-2xl">{{ t('backups.backups') }}</h2>
          <BackupsPanel :start="backedUp" />
        </section>
      </InTurn>
      <InTurn v-if="imports">
        <section id="records" class="space-y-4">
          <h2 class="border-b-2 border-ink pb-1 text-2xl">{{ t('records.recordsInOut') }}</h2>
          <RecordsPanel :start="imports[0]" :keys="imports[1]" />
        </section>
      </InTurn>
      <InTurn v-if="archived?.length">
        <section class="space-y-3">
          <h2 class="border-b-2 border-ink pb-1 text-2xl">{{ t('settings.archivedClients') }}</h2>
          <ul>
            <li v-for="client in archived" :key="client.id">
              <NuxtLink :to="`/clients/${client.id}`" class="link">
                {{ client.name }}
              </NuxtLink>
            </li>
          </ul>
        </section>
      </InTurn>
      <p v-if="trouble && !draft" role="alert" class="font-bold text-clay">{{ trouble }}</p>
    </template>
    <AskDialog
      :title="t('settings.setYourOwn')"
      :open="draft !== undefined"
      @close="draft = undefined"
    >
      <OwnSetForm v-if="draft" :own :trouble @keep="save" />
    </AskDialog>
  </main>
</template>

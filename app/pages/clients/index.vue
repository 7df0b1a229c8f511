<script setup lang="ts">
import { formatDate, headlineText, isoDateOf } from '#core'
import { watchDebounced } from '@vueuse/core'
import { ROSTER_PAGE, ROSTER_STATES } from '#shared/contract/choices'
import { clients } from '~/contract'

await breathe()

useHead({ title: 'Clients · Oak Pinch' })

const today = isoDateOf(new Date())
const route = useRoute()
const router = useRouter()

const query = computed(() => {
  const {
    search = '',
    state = '',
    says = '',
    sort = 'name',
    descending = '',
    page = '1',
  } = route.query
  return { search, state, says, sort, descending, page } as {
    [K in 'search' | 'state' | 'says' | 'sort' | 'descending' | 'page']: string
  }
})
const filled = (wanted: Record<string, string>) =>
  Object.fromEntries(Object.entries(wanted).filter(([, value]) => value !== ''))
const { data, error } = await useAsyncData(
  'roster',
  () => callApi(clients.list, { query: filled(query.value) as never }),
  { watch: [query] },
)
await breathe()

function ask(what: Record<string, string>) {
  void router.replace({ query: filled({ ...query.value, page: '1', ...what }) })
}
const search = ref(query.value.search)
watchDebounced(search, (text) => ask({ search: text }), { debounce: 200 })

const STATE_NAMES: Record<(typeof ROSTER_STATES)[number], string> = {
  'under way': 'under way',
  late: 'late',
  due: 'due',
  first: 'not measured yet',
  coming: 'coming up',
  archived: 'archived',
}
const state = computed({
  get: () => query.value.state,
  set: (value) => ask({ state: value }),
})
const says = computed({
  get: () => query.value.says,
  set: (value) => ask({ says: value }),
})
const massUnit = useMassUnit()
const lengthUnit = useLengthUnit()
const COLUMNS = [
  { sort: 'name', name: 'Name' },
  { sort: 'last', name: 'Last measured' },
  { sort: 'due', name: 'Due' },
  { sort: 'says', name: 'The record says' },
]
const sorted = (sort: string) =>
  query.value.sort === sort ? (query.value.descending ? 'descending' : 'ascending') : 'none'
function sortBy(sort: string) {
  const turn = query.value.sort === sort && !query.value.descending
  ask({ sort, descending: turn ? 'true' : '' })
}
const pages = computed(() => Math.max(1, Math.ceil((data.value?.total ?? 0) / ROSTER_PAGE)))
</script>

<template>
  <main class="mx-auto max-w-6xl px-4 py-6 sm:px-6">
    <div class="flex flex-wrap items-end justify-between gap-3 pb-4">
      <h1 class="text-[40px]">Clients</h1>
      <NuxtLink to="/clients/new" class="button">Add a client</NuxtLink>
    </div>
    <InTurn>
      <div class="flex flex-wrap items-end gap-3 pb-3">
        <TextField
          id="search"
          v-model="search"
          label="Search"
          class="min-w-56 flex-1"
          type="search"
        />
        <FieldRow id="state" label="Show">
          <select id="state" v-model="state" class="field w-auto!">
            <option value="">everybody</option>
            <option v-for="s in ROSTER_STATES" :key="s" :value="s">{{ STATE_NAMES[s] }}</option>
          </select>
        </FieldRow>
        <FieldRow id="says" label="The record">
          <select id="says" v-model="says" class="field w-auto!">
            <option value="">says anything</option>
            <option value="look">asks for a look</option>
            <option value="tell">is worth telling them</option>
          </select>
        </FieldRow>
      </div>
    </InTurn>
    <p v-if="error" role="alert" class="font-bold text-clay">{{ error.message }}</p>
    <template v-if="data">
      <p role="status" class="text-faded" data-test="count">
        {{ data.total }} {{ data.total === 1 ? 'client' : 'clients' }}
      </p>
      <InTurn>
        <ScrollTable label="Clients" class="w-full" data-test="roster">
          <thead>
            <tr class="border-b-2 border-ink">
              <th
                v-for="column in COLUMNS"
                :key="column.sort"
                scope="col"
                class="pr-4 font-normal"
                :aria-sort="sorted(column.sort)"
              >
                <button
                  type="button"
                  class="min-h-11 whitespace-nowrap underline decoration-line decoration-2 underline-offset-4"
                  :class="{ 'font-bold': sorted(column.sort) !== 'none' }"
                  @click="sortBy(column.sort)"
                >
                  {{ column.name }}
                  <span aria-hidden="true">{{
                    { ascending: '↑', descending: '↓', none: '' }[sorted(column.sort)]
                  }}</span>
                </button>
              </th>
              <th scope="col" class="text-right font-normal whitespace-nowrap">check-ins</th>
            </tr>
          </thead>
          <tbody>
            <tr
              v-for="{ client, ...entry } in data.entries"
              :key="client.id"
              class="border-b border-line"
            >
              <th scope="row" class="py-1 pr-4">
                <NuxtLink
                  :to="`/clients/${client.id}`"
                  class="inline-block min-h-11 py-2 text-lg whitespace-nowrap underline decoration-line decoration-2 underline-offset-4"
                >
                  {{ client.name }}
                </NuxtLink>
              </th>
              <td class="pr-4 whitespace-nowrap">
                {{ entry.lastMeasuredOn ? formatDate(entry.lastMeasuredOn, true) : '–' }}
              </td>
              <td
                class="pr-4 whitespace-nowrap"
                :class="{ 'font-bold text-clay': entry.state === 'late' }"
              >
                {{ entry.dueOn && entry.state !== 'archived' ? formatDate(entry.dueOn, true) : '' }}
                <span class="text-sm">{{ STATE_NAMES[entry.state] }}</span>
              </td>
              <td class="min-w-64 pr-4">
                {{
                  entry.said
                    ? headlineText(headlineFrom(entry.said), {
                        ...{ mass: massUnit, length: lengthUnit, today },
                      })
                    : ''
                }}
              </td>
              <td class="figure text-right text-[20px]">{{ entry.checkIns }}</td>
            </tr>
          </tbody>
        </ScrollTable>
      </InTurn>
      <nav v-if="pages > 1" aria-label="Pages" class="flex items-center gap-4 pt-4">
        <button
          type="button"
          class="button"
          :disabled="data.page <= 1"
          @click="ask({ page: String(data.page - 1) })"
        >
          Before
        </button>
        <span>page {{ data.page }} of {{ pages }}</span>
        <button
          type="button"
          class="button"
          :disabled="data.page >= pages"
          @click="ask({ page: String(data.page + 1) })"
        >
          Next
        </button>
      </nav>
    </template>
  </main>
</template>

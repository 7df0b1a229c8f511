<script setup lang="ts">
import { isoDateOf } from '#core'
import { watchDebounced } from '@vueuse/core'
import { ROSTER_PAGE, ROSTER_STATES } from '#shared/contract/choices'
import { clients } from '~/contract'

await breathe()

usePageTitle(() => t('clients.clients'))

const today = isoDateOf(new Date())
const route = useRoute()
const router = useRouter()

const query = computed(() => {
  const {
    search = '',
    state = '',
    says = '',
    tag = '',
    sort = 'name',
    descending = '',
    page = '1',
  } = route.query
  return { search, state, says, tag, sort, descending, page } as {
    [K in 'search' | 'state' | 'says' | 'tag' | 'sort' | 'descending' | 'page']: string
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
  'under way': t('clients.underWay'),
  late: t('clients.overdue'),
  due: t('clients.dueNow'),
  first: t('clients.notMeasuredYet'),
  coming: t('clients.comingUp'),
  archived: t('clients.archived'),
}
const state = computed({
  get: () => query.value.state,
  set: (value) => ask({ state: value }),
})
const says = computed({
  get: () => query.value.says,
  set: (value) => ask({ says: value }),
})
const tag = computed({
  get: () => query.value.tag,
  set: (value) => ask({ tag: value }),
})
const massUnit = useMassUnit()
const lengthUnit = useLengthUnit()
const COLUMNS = [
  { sort: 'name', name: t('clients.name') },
  { sort: 'last', name: t('clients.lastMeasured') },
  { sort: 'due', name: t('clients.due') },
  { sort: 'says', name: t('clients.record') },
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
      <h1 class="text-[40px]">{{ t('clients.clients') }}</h1>
      <NuxtLink to="/clients/new" class="button">{{ t('clients.addClient') }}</NuxtLink>
    </div>
    <InTurn>
      <div class="flex flex-wrap items-end gap-3 pb-3">
        <TextField
          id="search"
          v-model="search"
          :label="t('clients.search')"
          class="min-w-56 flex-1"
          type="search"
        />
        <FieldRow id="state" :label="t('clients.show')">
          <select id="state" v-model="state" class="field w-auto!">
            <option value="">{{ t('clients.everybody') }}</option>
            <option v-for="s in ROSTER_STATES" :key="s" :value="s">{{ STATE_NAMES[s] }}</option>
          </select>
        </FieldRow>
        <FieldRow id="says" :label="t('clients.record')">
          <select id="says" v-model="says" class="field w-auto!">
            <option value="">{{ t('clients.saysAnything') }}</option>
            <option value="look">{{ t('clients.asksLook') }}</option>
            <option value="tell">{{ t('clients.worthTellingThem') }}</option>
          </select>
        </FieldRow>
        <FieldRow v-if="data?.tags.length" id="tag" :label="t('clients.tag')">
          <select id="tag" v-model="tag" class="field w-auto!">
            <option value="">{{ t('clients.anyTag') }}</option>
            <option v-for="one in data.tags" :key="one" :value="one">{{ one }}</option>
          </select>
        </FieldRow>
      </div>
    </InTurn>
    <LoadTrouble :error />
    <template v-if="data">
      <p role="status" :class="data.total ? 'text-faded' : 'text-lg'" data-test="count">
        <template v-if="data.total">{{ t('clients.total', { count: data.total }) }}</template>
        <template v-else>{{
          t(search || state || says || tag ? 'clients.noneFound' : 'clients.nobody')
        }}</template>
      </p>
      <InTurn v-if="data.total">
        <ScrollTable :label="t('clients.clients')" class="w-full" data-test="roster">
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
              <th scope="col" class="text-right font-normal whitespace-nowrap">
                {{ t('clients.checkIns') }}
              </th>
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
                <span v-if="entry.tags.length" class="block text-sm font-normal text-faded">{{
                  entry.tags.join(', ')
                }}</span>
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
      <nav v-if="pages > 1" :aria-label="t('clients.pages')" class="flex items-center gap-4 pt-4">
        <button
          type="button"
          class="button"
          :disabled="data.page <= 1"
          @click="ask({ page: String(data.page - 1) })"
        >
          {{ t('clients.before') }}
        </button>
        <span>{{ t('clients.pageOf', { page: data.page, pages }) }}</span>
        <button
          type="button"
          class="button"
          :disabled="data.page >= pages"
          @click="ask({ page: String(data.page + 1) })"
        >
          {{ t('clients.next') }}
        </button>
      </nav>
    </template>
  </main>
</template>

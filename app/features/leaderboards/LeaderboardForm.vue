<script setup lang="ts">
import { watchDebounced } from '@vueuse/core'
import { addDays, BOARD_MEASURES, isoDateOf } from '#core'
import { clients } from '~/contract'
import { measureName } from './measures'
import type { LeaderboardForm } from '#shared/contract/leaderboards'

/** A leaderboard's name, period, measure and members. */
const props = defineProps<{
  start?: LeaderboardForm
  save: (form: LeaderboardForm) => Promise<void>
}>()

const today = isoDateOf(new Date())
const form = reactive<LeaderboardForm>({
  name: '',
  startsOn: today,
  endsOn: addDays(today, 84),
  measure: 'recomposition',
  clientIds: [],
  ...props.start,
})
const { trouble, problems, busy, submit } = useSubmit()

const search = ref('')
const found = ref<{ id: string; name: string }[]>([])
let asked = 0
/** The last search asked for is the one shown, whichever answer comes first. */
async function look() {
  const mine = ++asked
  const answer = await callApi(clients.list, { query: { search: search.value } }).catch(
    () => undefined,
  )
  if (mine !== asked || !answer) return
  found.value = answer.entries.map(({ client: { id, name } }) => ({ id, name }))
}
onMounted(look)
watchDebounced(search, look, { debounce: 200 })

function toggle(id: string) {
  form.clientIds = form.clientIds.includes(id)
    ? form.clientIds.filter((other) => other !== id)
    : [...form.clientIds, id]
}
async function keep() {
  // The rules come with the first form that is sent: a board is looked at more often than it is changed.
  const [{ leaderboardFormSchema }, { problemsOf }] = await Promise.all([
    import('#shared/contract/leaderboards'),
    import('#shared/contract/problems'),
  ])
  const parsed = leaderboardFormSchema.safeParse(form)
  if (parsed.success) return submit(() => props.save(parsed.data))
  problems.value = byField(tellAll(problemsOf(parsed.error)))
}
</script>

<template>
  <form class="space-y-4" novalidate @submit.prevent="keep">
    <TextField
      id="group-name"
      v-model="form.name"
      :label="t('leaderboards.name')"
      :error="problems.name"
      data-first
    />
    <div class="grid grid-cols-2 gap-3">
      <TextField
        id="starts"
        v-model="form.startsOn"
        :label="t('leaderboards.firstDay')"
        :error="problems.startsOn"
        type="date"
      />
      <TextField
        id="ends"
        v-model="form.endsOn"
        :label="t('leaderboards.lastDay')"
        :error="problems.endsOn"
        type="date"
      />
    </div>
    <FieldRow id="measure" :label="t('leaderboards.ranked')">
      <select id="measure" v-model="form.measure" class="field">
        <option v-for="m in BOARD_MEASURES" :key="m" :value="m">{{ measureName(m) }}</option>
      </select>
    </FieldRow>
    <fieldset>
      <legend class="pb-1 font-bold">
        {{ t('leaderboards.membersCount', { count: form.clientIds.length }) }}
      </legend>
      <input
        v-model="search"
        type="search"
        class="field"
        :aria-label="t('leaderboards.searchClients')"
        :placeholder="t('leaderboards.search')"
      />
      <ul class="max-h-52 overflow-y-auto pt-1">
        <li v-for="client in found" :key="client.id">
          <TickBox
            :model-value="form.clientIds.includes(client.id)"
            class="border-b border-line"
            @update:model-value="toggle(client.id)"
            >{{ client.name }}</TickBox
          >
        </li>
      </ul>
    </fieldset>
    <AlertLine :text="trouble" />
    <button type="submit" class="button button-lead" :disabled="busy">
      {{ t('leaderboards.save') }}
    </button>
  </form>
</template>

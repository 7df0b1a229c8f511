<script setup lang="ts">
import { massIn, showsComposition } from '#core'
import type { BoardLine, LeaderboardForm } from '#shared/contract/leaderboards'
import { leaderboards } from '~/contract'
import { measureWords } from '~/features/leaderboards/measures'

await breathe()

const route = useRoute()
const params = { id: String(route.params.id) }
const { data, error } = await useAsyncData(`leaderboard-${params.id}`, () =>
  callApi(leaderboards.view, { params }),
)
await breathe()
usePageTitle(() => data.value?.leaderboard.name ?? t('leaderboards.leaderboards'))

const massUnit = useMassUnit()
const words = computed(() => measureWords(data.value!.leaderboard.measure))
const unit = computed(() => (words.value.mass ? massUnit.value : words.value.unit))
const scale = (value: number) => (words.value.mass ? massIn(value, massUnit.value) : value)
const widest = computed(() =>
  Math.max(1e-9, ...data.value!.lines.map(({ change }) => Math.abs(change))),
)
/** A filled bar went the way that is ranked first, a hollow one the other way. */
const worthIt = (change: number) =>
  data.value!.leaderboard.measure === 'recomposition' ? change > 0 : change < 0
const place = ({ place: n, tied }: BoardLine) => `${n}${tied ? '=' : ''}`

const changing = ref(false)
const start = computed<LeaderboardForm>(() => {
  const { leaderboard, memberIds } = data.value!
  const { name, startsOn, endsOn, measure } = leaderboard
  return { name, startsOn, endsOn, measure, clientIds: memberIds }
})
async function save(form: LeaderboardForm) {
  data.value = await callApi(leaderboards.change, { params, body: form })
  changing.value = false
}
const { trouble, submit } = useSubmit()
async function remove() {
  if (await submit(() => callApi(leaderboards.remove, { params }))) {
    await navigateTo('/leaderboards')
  }
}
</script>

<template>
  <main class="mx-auto max-w-4xl px-4 py-6 sm:px-6">
    <LoadTrouble v-if="error || !data" :error />
    <template v-else>
      <p class="text-faded">
        {{
          t('leaderboards.period', {
            from: formatDate(data.leaderboard.startsOn, true),
            to: formatDate(data.leaderboard.endsOn, true),
          })
        }}
        · {{ words.name }}
      </p>
      <div class="flex flex-wrap items-end justify-between gap-3 pb-4">
        <h1 class="text-[40px]">{{ data.leaderboard.name }}</h1>
        <InTurn v-if="words.mass">
          <MassUnitChoice />
        </InTurn>
      </div>
      <p v-if="data.lines.length === 0" class="text-lg">
        {{ t('leaderboards.nobodyCanRankedYet') }}
      </p>
      <InTurn>
        <ol data-test="board">
          <li
            v-for="(line, i) in data.lines"
            :key="i"
            class="grid grid-cols-[56px_1fr_auto] items-center gap-x-4 border-b border-line py-2"
          >
            <span class="figure text-[34px]">{{ place(line) }}</span>
            <span class="min-w-0">
              <NuxtLink
                v-if="line.clientId"
                :to="`/clients/${line.clientId}`"
                class="block text-lg font-bold underline decoration-line decoration-2 underline-offset-4"
                >{{ line.name }}</NuxtLink
              >
              <span v-else class="block text-lg">{{ t('leaderboards.nameHidden') }}</span>
              <span
                class="mt-1 block h-2.5 border-2 border-oak"
                :class="{ 'bg-oak': worthIt(line.change) }"
                :style="{ width: `${Math.max(1, (Math.abs(line.change) / widest) * 100)}%` }"
                aria-hidden="true"
              />
              <span class="text-faded">{{
                t('leaderboards.period', {
                  from: formatDate(line.from),
                  to: formatDate(line.to),
                })
              }}</span>
            </span>
            <span class="text-right">
              <span class="figure block text-[30px] whitespace-nowrap">
                {{ signed(scale(line.change), 1) }} {{ unit }}
              </span>
              <span class="text-faded">± {{ fixed(1.96 * scale(line.standardError), 1) }}</span>
            </span>
          </li>
        </ol>
      </InTurn>
      <p class="pt-3 text-faded">
        {{ t('leaderboards.equalsSignNotClearlyApart') }}
        <template v-if="showsComposition(data.leaderboard.measure)">
          {{ t('leaderboards.clientsWhoSeeSumsGirths') }}
        </template>
      </p>
      <section v-if="data.unranked.length" class="pt-4">
        <h2 class="border-b-2 border-ink pb-1 text-xl">{{ t('leaderboards.notRanked') }}</h2>
        <ul>
          <li v-for="who in data.unranked" :key="who.name + who.why" class="py-1">
            {{ who.name }}: {{ who.why }}
          </li>
        </ul>
      </section>
      <div class="flex flex-wrap gap-3 pt-6 print:hidden">
        <button type="button" class="button" @click="changing = true">
          {{ t('leaderboards.changeGroup') }}
        </button>
        <button type="button" class="button text-clay" @click="remove">
          {{ t('leaderboards.removeGroup') }}
        </button>
      </div>
      <AlertLine :text="trouble" />
      <AskDialog :title="t('leaderboards.group')" :open="changing" @close="changing = false">
        <LeaderboardForm :start :save />
      </AskDialog>
    </template>
  </main>
</template>

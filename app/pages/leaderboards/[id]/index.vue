<script setup lang="ts">
import { isoDateOf, showsComposition } from '#core'
import type { LeaderboardForm } from '#shared/contract/leaderboards'
import { leaderboards } from '~/contract'
import { isMass, measureName } from '~/features/leaderboards/measures'

await breathe()

const route = useRoute()
const params = { id: String(route.params.id) }
const { data, error } = await useAsyncData(`leaderboard-${params.id}`, () =>
  callApi(leaderboards.view, { params }),
)
await breathe()
usePageTitle(() => data.value?.leaderboard.name ?? t('leaderboards.leaderboards'))

const board = computed(() => data.value!.leaderboard)
/** From its last day on, by the day of this device. */
const isOver = computed(() => isoDateOf(new Date()) >= board.value.endsOn)

const changing = ref(false)
const start = computed<LeaderboardForm>(() => {
  const { name, startsOn, endsOn, measure } = board.value
  return { name, startsOn, endsOn, measure, clientIds: data.value!.memberIds }
})
async function save(form: LeaderboardForm) {
  data.value = await callApi(leaderboards.change, { params, body: form })
  changing.value = false
}
const { trouble, done, submit } = useSubmit()
async function remove() {
  if (await submit(() => callApi(leaderboards.remove, { params }))) {
    await navigateTo('/leaderboards')
  }
}
async function close() {
  const now = await submit(
    () => callApi(leaderboards.close, { params }),
    t('leaderboards.closedNow'),
  )
  if (now) data.value = now
}
async function reopen() {
  const now = await submit(() => callApi(leaderboards.reopen, { params }))
  if (now) data.value = now
}
</script>

<template>
  <main class="mx-auto max-w-4xl px-4 py-6 sm:px-6">
    <LoadTrouble v-if="error || !data" :error />
    <template v-else>
      <p class="text-faded">
        {{
          t('leaderboards.period', {
            from: formatDate(board.startsOn, true),
            to: formatDate(board.endsOn, true),
          })
        }}
        · {{ measureName(board.measure) }}
      </p>
      <div class="flex flex-wrap items-end justify-between gap-3 pb-4">
        <h1 class="text-[40px]">{{ board.name }}</h1>
        <InTurn v-if="isMass(board.measure)">
          <MassUnitChoice />
        </InTurn>
      </div>
      <p v-if="board.closedAt" class="mb-3 border-l-4 border-leaf pl-3" data-test="closed">
        {{
          t('leaderboards.closedOn', { when: instantText(board.closedAt), who: board.closedBy! })
        }}
      </p>
      <p v-if="data.lines.length === 0" class="text-lg">
        {{ t('leaderboards.nobodyCanRankedYet') }}
      </p>
      <InTurn>
        <BoardList :lines="data.lines" :measure="board.measure" />
      </InTurn>
      <p v-if="showsComposition(board.measure)" class="pt-3 text-faded">
        {{ t('leaderboards.clientsWhoSeeSumsGirths') }}
      </p>
      <section v-if="data.unranked.length" class="pt-4">
        <h2 class="border-b-2 border-ink pb-1 text-xl">{{ t('leaderboards.notRanked') }}</h2>
        <ul>
          <li v-for="who in data.unranked" :key="who.name + who.why" class="py-1">
            {{ who.name }}: {{ who.why }}
          </li>
        </ul>
      </section>
      <div class="flex flex-wrap gap-3 pt-6">
        <button
          v-if="!board.closedAt && isOver"
          type="button"
          class="button button-lead"
          @click="close"
        >
          {{ t('leaderboards.close') }}
        </button>
        <NuxtLink :to="`/leaderboards/${params.id}/print`" class="button">{{
          t('leaderboards.printPage')
        }}</NuxtLink>
        <button v-if="!board.closedAt" type="button" class="button" @click="changing = true">
          {{ t('leaderboards.changeGroup') }}
        </button>
        <button v-else type="button" class="button" @click="reopen">
          {{ t('leaderboards.reopen') }}
        </button>
        <button type="button" class="button text-clay" @click="remove">
          {{ t('leaderboards.removeGroup') }}
        </button>
      </div>
      <p v-if="!board.closedAt" class="pt-2 text-faded">
        {{
          isOver
            ? t('leaderboards.closeHint')
            : t('leaderboards.stillRuns', { day: formatDate(board.endsOn, true) })
        }}
      </p>
      <p role="status" class="pt-2">{{ done }}</p>
      <AlertLine :text="trouble" />
      <InTurn>
        <WallPanel :id="params.id" :wall="data.wall" class="pt-6" @changed="data = $event" />
      </InTurn>
      <AskDialog :title="t('leaderboards.group')" :open="changing" @close="changing = false">
        <LeaderboardForm :start :save />
      </AskDialog>
    </template>
  </main>
</template>

<script setup lang="ts">
import { leaderboards } from '~/contract'
import { measureName } from '~/features/leaderboards/measures'

/* The result on one sheet of paper: to print, or to save as a file. */
definePageMeta({ layout: false })

const route = useRoute()
const params = { id: String(route.params.id) }
const { data, error } = await useAsyncData(`leaderboard-print-${params.id}`, () =>
  callApi(leaderboards.view, { params }),
)
usePageTitle(() => data.value?.leaderboard.name ?? t('leaderboards.leaderboards'))
</script>

<template>
  <PrintSheet :back="`/leaderboards/${params.id}`" :back-words="t('leaderboards.back')">
    <LoadTrouble v-if="error || !data" :error />
    <template v-else>
      <header class="border-b-2 border-ink pb-2">
        <p>
          {{
            t('leaderboards.period', {
              from: formatDate(data.leaderboard.startsOn, true),
              to: formatDate(data.leaderboard.endsOn, true),
            })
          }}
          · {{ measureName(data.leaderboard.measure) }}
        </p>
        <h1 class="figure text-[36px]">{{ data.leaderboard.name }}</h1>
        <p>
          {{
            data.leaderboard.closedAt
              ? t('leaderboards.result', {
                  day: formatDate(data.leaderboard.closedAt.slice(0, 10), true),
                })
              : t('leaderboards.notClosedYet')
          }}
        </p>
      </header>
      <BoardList :lines="data.lines" :measure="data.leaderboard.measure" plain />
      <p v-if="data.unranked.length" class="pt-3">
        {{ t('leaderboards.notRankedCount', counted(data.unranked.length)) }}
      </p>
      <p class="pt-3 text-sm text-faded">{{ t('leaderboards.howRanked') }}</p>
    </template>
  </PrintSheet>
</template>

<script setup lang="ts">
import type { ClientDetails } from '#shared/contract/client-side'
import type { WeeklyReport } from '#shared/contract/weekly-reports'
import { details as detailRoutes, weeklyReports as routes } from '~/contract'

const { id, view, error, data } = await useClientPart('client.reports', routes.list)
const kept = await useAsyncData(`details-${id}`, () =>
  callApi(detailRoutes.view, { params: { id } }),
)
const details = computed({
  get: () => kept.data.value as ClientDetails,
  set: (now) => (kept.data.value = now),
})
const reports = computed(() => data.value ?? [])
const waiting = computed(() => reports.value.filter(({ state }) => state === 'waiting'))
const decided = computed(() => reports.value.filter(({ state }) => state !== 'waiting'))
const keyOf = ({ id: of, state, talk }: WeeklyReport) => `${of} ${state} ${talk.length}`
const changed = (all: WeeklyReport[]) => (data.value = all)
const lastKg = computed(
  () => reports.value.find(({ state }) => state === 'accepted')?.content.weights.at(-1)?.kg,
)
const asked = computed(() => details.value?.asks?.girths ?? [])
</script>

<template>
  <ClientPage :view :error>
    <div v-if="view && kept.data.value" class="space-y-8">
      <section>
        <h2 class="border-b-2 border-ink pb-1 text-xl">{{ t('weeklyReports.toRead') }}</h2>
        <p v-if="waiting.length === 0" class="pt-2 text-lg">
          {{ reports.length ? t('weeklyReports.allRead') : t('weeklyReports.none') }}
        </p>
        <ReportCard
          v-for="report in waiting"
          :key="keyOf(report)"
          :client-id="id"
          :report
          :before="reportBefore(reports, report)"
          @changed="changed"
        />
      </section>
      <div class="grid gap-x-12 gap-y-8 lg:grid-cols-2">
        <section>
          <h2 class="border-b-2 border-ink pb-1 text-xl">{{ t('weeklyReports.fromMessage') }}</h2>
          <MessageReader class="pt-3" :client-id="id" :asked :last-kg @changed="changed" />
        </section>
        <section>
          <h2 class="border-b-2 border-ink pb-1 text-xl">{{ t('weeklyReports.eachWeek') }}</h2>
          <ReportAsksForm v-model="details" class="pt-3" :client-id="id" />
        </section>
      </div>
      <FoldOut
        v-if="decided.length"
        :title="t('weeklyReports.earlier', { count: decided.length })"
        class="border-t-2 border-line pt-2"
      >
        <ReportCard
          v-for="report in decided"
          :key="keyOf(report)"
          :client-id="id"
          :report
          :before="reportBefore(reports, report)"
          @changed="changed"
        />
      </FoldOut>
    </div>
  </ClientPage>
</template>

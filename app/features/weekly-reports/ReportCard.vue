<script setup lang="ts">
import { weeklyReports as routes } from '~/contract'
import type { WeeklyReport } from '#shared/contract/weekly-reports'

/** One weekly report beside the week before: to be accepted, asked about, or set aside. */
const props = defineProps<{
  clientId: string
  report: WeeklyReport
  before: WeeklyReport | undefined
}>()
const emit = defineEmits<{ changed: [all: WeeklyReport[]] }>()

const mass = useMassUnit()
const length = useLengthUnit()
const units = computed(() => ({ mass: mass.value, length: length.value }))
const lines = computed(() => reportLines(props.report, props.before, units.value))
const { content } = toRefs(props.report)
const params = computed(() => ({ id: props.clientId, part: props.report.id }))
const { trouble, problems, busy, submit } = useSubmit()

async function decide(decision: 'accept' | 'set aside') {
  const all = await submit(() =>
    callApi(routes.decide, { params: params.value, body: { decision } }),
  )
  if (all) emit('changed', all)
}
const asking = ref(false)
const words = ref('')
async function ask() {
  const body = { words: words.value }
  const all = await submit(() => callApi(routes.ask, { params: params.value, body }))
  if (!all) return
  asking.value = false
  words.value = ''
  emit('changed', all)
}
const STATES = {
  waiting: t('weeklyReports.waiting'),
  accepted: t('weeklyReports.accepted'),
  'set aside': t('weeklyReports.setAside'),
}
</script>

<template>
  <article class="border-b-2 border-line py-4" data-test="report" :data-state="report.state">
    <header class="flex flex-wrap items-baseline gap-x-4">
      <h3 class="text-[26px]">
        {{ t('weeklyReports.weekTo', { day: formatDate(report.endsOn, true) }) }}
      </h3>
      <strong :class="report.state === 'waiting' ? 'text-oak' : 'text-faded'">{{
        STATES[report.state]
      }}</strong>
      <span class="text-sm text-faded">{{
        report.way === 'message' ? t('weeklyReports.byMessage') : t('weeklyReports.byForm')
      }}</span>
    </header>
    <div class="grid gap-x-10 gap-y-3 pt-2 lg:grid-cols-2">
      <div>
        <table class="w-full">
          <thead>
            <tr class="border-b-2 border-ink">
              <th scope="col" class="text-left">{{ t('weeklyReports.selfMeasured') }}</th>
              <th scope="col" class="figure text-right">{{ t('weeklyReports.thisWeek') }}</th>
              <th scope="col" class="figure text-right">
                {{ before ? formatDate(before.endsOn) : t('weeklyReports.weekBefore') }}
              </th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="line in lines" :key="line.name" class="border-b border-line">
              <td class="py-1">
                {{ line.name }}
                <strong v-if="line.odd" class="text-clay">{{
                  t('weeklyReports.lookTwice')
                }}</strong>
              </td>
              <td class="figure py-1 pl-2 text-right text-lg whitespace-nowrap">{{ line.now }}</td>
              <td class="figure py-1 pl-2 text-right text-lg whitespace-nowrap text-faded">
                {{ line.before }}
              </td>
            </tr>
          </tbody>
        </table>
        <p v-if="content.weights.length" class="pt-2 text-faded">
          <template v-for="(day, i) in content.weights" :key="day.date">
            <template v-if="i"> · </template>{{ reportDay(day.date) }} {{ day.typed }}
            <template v-if="day.otherwise">{{ ` (${day.otherwise})` }}</template>
          </template>
        </p>
        <p v-if="content.girths.length" class="text-faded">
          <template v-for="(one, i) in content.girths" :key="`${one.girth} ${one.trial}`">
            <template v-if="i"> · </template>{{ nameOf(one.girth) }} {{ one.typed }}
          </template>
          <template v-if="content.girthsOtherwise">{{ ` (${content.girthsOtherwise})` }}</template>
        </p>
      </div>
      <div class="space-y-3">
        <p v-if="content.note" class="border-l-4 border-line pl-3 whitespace-pre-line">
          {{ content.note }}
        </p>
        <div v-if="report.photos.length" class="flex gap-2" data-test="report-photos">
          <img
            v-for="photo in report.photos"
            :key="photo.id"
            :src="`/api/photos/${photo.id}`"
            :alt="t('weeklyReports.photoOf', { view: viewName(photo.view) })"
            class="h-40 border border-line object-cover"
          />
        </div>
        <ul v-if="report.talk.length" data-test="talk">
          <li v-for="line in report.talk" :key="line.at" class="py-1">
            <strong>{{
              line.by === 'coach' ? t('weeklyReports.youAsked') : t('weeklyReports.theyAnswered')
            }}</strong>
            {{ line.words }}
          </li>
        </ul>
        <form v-if="asking" class="space-y-2" novalidate @submit.prevent="ask">
          <FieldRow
            :id="`ask-${report.id}`"
            :label="t('weeklyReports.question')"
            :error="problems.words"
          >
            <textarea :id="`ask-${report.id}`" v-model="words" class="field" rows="2" />
          </FieldRow>
          <button type="submit" class="button" :disabled="busy">
            {{ t('weeklyReports.sendQuestion') }}
          </button>
        </form>
        <AlertLine :text="trouble" />
        <div class="flex flex-wrap gap-3">
          <button
            v-if="report.state !== 'accepted'"
            type="button"
            class="button button-lead"
            :disabled="busy"
            @click="decide('accept')"
          >
            {{ t('weeklyReports.accept') }}
          </button>
          <button v-if="!asking" type="button" class="button" @click="asking = true">
            {{ t('weeklyReports.ask') }}
          </button>
          <button
            v-if="report.state !== 'set aside'"
            type="button"
            class="button"
            :disabled="busy"
            @click="decide('set aside')"
          >
            {{ t('weeklyReports.putAside') }}
          </button>
        </div>
      </div>
    </div>
  </article>
</template>

<script setup lang="ts">
import { GIRTH_IDS, type GirthId } from '#core'
import { REPORT_FEELINGS, type ReportFeeling } from '#shared/contract/choices'
import type { ClientDetails } from '#shared/contract/client-side'
import { details as routes } from '~/contract'

/** What a client is asked for each week. */
const { clientId } = defineProps<{ clientId: string }>()
const details = defineModel<ClientDetails>({ required: true })

const asks = details.value.asks
const form = reactive({
  wanted: asks !== null,
  girths: (asks?.girths ?? ['abdomen']) as GirthId[],
  photos: asks?.photos ?? false,
  feelings: (asks?.feelings ?? ['sleep']) as ReportFeeling[],
  weekday: String(asks?.weekday ?? 6),
})
const DAY_NAMES = weekdayNames()
const { problems, trouble, done, submit } = useSubmit()
const turn = <T,>(list: T[], one: T) => {
  const at = list.indexOf(one)
  if (at < 0) list.push(one)
  else list.splice(at, 1)
}
async function keep() {
  const { wanted, girths, photos, feelings, weekday } = form
  const body = { asks: wanted ? { girths, photos, feelings, weekday: Number(weekday) } : null }
  const now = await submit(
    () => callApi(routes.change, { params: { id: clientId }, body }),
    t('weeklyReports.asksSaved'),
  )
  if (now) details.value = now
}
</script>

<template>
  <form class="space-y-4" novalidate data-test="asks" @submit.prevent="keep">
    <TickBox v-model="form.wanted">{{ t('weeklyReports.wanted') }}</TickBox>
    <template v-if="form.wanted">
      <fieldset>
        <legend class="pb-1 font-bold">{{ t('weeklyReports.girths') }}</legend>
        <div class="flex flex-wrap gap-2">
          <ChipButton
            v-for="girth in GIRTH_IDS"
            :key="girth"
            :on="form.girths.includes(girth)"
            @click="turn(form.girths, girth)"
            >{{ nameOf(girth) }}</ChipButton
          >
        </div>
        <AlertLine :text="problems['asks.girths']" />
      </fieldset>
      <fieldset>
        <legend class="pb-1 font-bold">{{ t('weeklyReports.howWeekWent') }}</legend>
        <div class="flex flex-wrap gap-2">
          <ChipButton
            v-for="feeling in REPORT_FEELINGS"
            :key="feeling"
            :on="form.feelings.includes(feeling)"
            @click="turn(form.feelings, feeling)"
            >{{ t(`weeklyReports.feelings.${feeling}`) }}</ChipButton
          >
        </div>
      </fieldset>
      <TickBox v-model="form.photos">{{ t('weeklyReports.photos') }}</TickBox>
      <FieldRow id="report-day" :label="t('weeklyReports.dueOn')">
        <select id="report-day" v-model="form.weekday" class="field w-auto!">
          <option v-for="(name, i) in DAY_NAMES" :key="name" :value="String(i)">{{ name }}</option>
        </select>
      </FieldRow>
    </template>
    <AlertLine :text="trouble" />
    <div class="flex items-center gap-4">
      <button type="submit" class="button">{{ t('weeklyReports.saveAsks') }}</button>
      <span role="status">{{ done }}</span>
    </div>
  </form>
</template>

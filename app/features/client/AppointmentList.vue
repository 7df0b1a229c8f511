<script setup lang="ts">
import { isoDateOf } from '#core'
import { v4 as newId } from 'uuid'
import type { ClientDetails } from '#shared/contract/client-side'
import { details as routes } from '~/contract'

/** When a client comes: beside the day that the next check-in is due on. */
const { clientId, dueOn } = defineProps<{ clientId: string; dueOn: string | null }>()
const details = defineModel<ClientDetails>({ required: true })

const params = { id: clientId }
const today = isoDateOf(new Date())
const form = reactive({
  date: dueOn && dueOn > today ? dueOn : today,
  time: '09:00',
  minutes: '60',
  words: '',
})
const { problems, trouble, done, submit } = useSubmit()
const coming = computed(() =>
  details.value.appointments.filter(({ startsAt }) => isoDateOf(new Date(startsAt)) >= today),
)

async function keep() {
  const at = new Date(`${form.date}T${form.time}`)
  const startsAt = Number.isNaN(at.getTime()) ? '' : at.toISOString()
  const body = { id: newId(), startsAt, minutes: Number(form.minutes), words: form.words }
  const now = await submit(
    () => callApi(routes.keepAppointment, { params, body }),
    t('notes.saved'),
  )
  if (!now) return
  details.value = now
  form.words = ''
}
async function cancel(part: string) {
  const now = await submit(() => callApi(routes.cancelAppointment, { params: { ...params, part } }))
  if (now) details.value = now
}
</script>

<template>
  <section>
    <h2 class="border-b-2 border-ink pb-1 text-xl">{{ t('notes.appointments') }}</h2>
    <ul data-test="appointments">
      <li
        v-for="visit in coming"
        :key="visit.id"
        class="flex flex-wrap items-center gap-x-4 border-b border-line py-1"
      >
        <span class="flex-1">
          <strong>{{ instantText(visit.startsAt) }}</strong>
          {{ t('notes.forMinutes', { count: visit.minutes }) }}
          <span v-if="visit.words" class="block text-faded">{{ visit.words }}</span>
        </span>
        <button type="button" class="min-h-11 px-3 underline" @click="cancel(visit.id)">
          {{ t('notes.cancelVisit') }}
        </button>
      </li>
    </ul>
    <p v-if="dueOn" class="pt-2 text-faded">
      {{ t('notes.nextDue', { day: formatDate(dueOn, true) }) }}
    </p>
    <form class="space-y-3 pt-3" novalidate @submit.prevent="keep">
      <div class="grid grid-cols-[1fr_7rem_6rem] gap-3">
        <TextField
          id="visit-day"
          v-model="form.date"
          :label="t('notes.day')"
          :error="problems.startsAt"
          type="date"
        />
        <TextField id="visit-time" v-model="form.time" :label="t('notes.time')" type="time" />
        <TextField
          id="visit-minutes"
          v-model="form.minutes"
          :label="t('notes.minutes')"
          :error="problems.minutes"
          inputmode="numeric"
        />
      </div>
      <TextField
        id="visit-words"
        v-model="form.words"
        :label="t('notes.visitWords')"
        :error="problems.words"
      />
      <AlertLine :text="trouble" />
      <div class="flex items-center gap-4">
        <button type="submit" class="button">{{ t('notes.addVisit') }}</button>
        <span role="status">{{ done }}</span>
      </div>
    </form>
  </section>
</template>

<script setup lang="ts">
import { REMINDER_DAYS, REMINDER_FIELDS, REMINDER_KINDS } from '#core'
import type { Reminders } from '#shared/contract/reminders'
import { reminders as routes } from '~/contract'

/** When clients are reminded, how, and in whose words. */
const { reminders } = defineProps<{ reminders: Reminders }>()
const emit = defineEmits<{ changed: [now: Reminders] }>()

// What is typed is nobody else's until it is saved.
const form = reactive(JSON.parse(JSON.stringify(reminders.settings)) as Reminders['settings'])
for (const kind of REMINDER_KINDS) {
  form.rules[kind].subject ||= reminders.usual[kind].subject
  form.rules[kind].text ||= reminders.usual[kind].text
}
const { trouble, problems, done, busy, submit } = useSubmit()
async function keep() {
  const now = await submit(() => callApi(routes.change, { body: form }), t('reminders.saved'))
  if (now) emit('changed', now)
}
const usualAgain = (kind: (typeof REMINDER_KINDS)[number]) =>
  Object.assign(form.rules[kind], reminders.usual[kind])
const HOURS = Array.from({ length: 24 }, (_, hour) => hour)
const fields = REMINDER_FIELDS.map((field) => `{${field}}`).join(' ')
const daysOf = (kind: (typeof REMINDER_KINDS)[number]) => {
  const { least, most } = REMINDER_DAYS[kind]
  return Array.from({ length: most - least + 1 }, (_, i) => least + i)
}
</script>

<template>
  <form class="space-y-5" novalidate data-test="rules" @submit.prevent="keep">
    <h2 class="border-b-2 border-ink pb-1 text-xl">{{ t('reminders.whenAndHow') }}</h2>
    <TickBox v-model="form.byMail">{{ t('reminders.byMail') }}</TickBox>
    <p v-if="form.byMail && !reminders.mail.server" class="caution">
      {{ t('reminders.noServer') }}
    </p>
    <p v-else-if="form.byMail && !reminders.mail.from" class="caution">
      {{ t('reminders.noSender') }}
    </p>
    <p v-else-if="reminders.mail.from" class="text-faded">
      {{ t('reminders.from', { address: reminders.mail.from }) }}
      <NuxtLink v-if="reminders.mail.standIn" to="/outbox" class="link">{{
        t('reminders.outbox')
      }}</NuxtLink>
    </p>
    <fieldset v-if="form.byMail" class="flex flex-wrap items-end gap-3">
      <legend class="pb-1 font-bold">{{ t('reminders.quietHours') }}</legend>
      <FieldRow id="quiet-from" :label="t('reminders.quietFrom')">
        <select id="quiet-from" v-model="form.quiet.from" class="field">
          <option v-for="hour in HOURS" :key="hour" :value="hour">{{ hourText(hour) }}</option>
        </select>
      </FieldRow>
      <FieldRow id="quiet-until" :label="t('reminders.quietUntil')">
        <select id="quiet-until" v-model="form.quiet.until" class="field">
          <option v-for="hour in HOURS" :key="hour" :value="hour">{{ hourText(hour) }}</option>
        </select>
      </FieldRow>
      <p v-if="form.quiet.from === form.quiet.until" class="basis-full text-faded">
        {{ t('reminders.noQuietHours') }}
      </p>
    </fieldset>
    <p>{{ t('reminders.fieldsHint', { fields }) }}</p>
    <fieldset
      v-for="kind in REMINDER_KINDS"
      :key="kind"
      class="space-y-3 border-t border-line pt-3"
      :data-test="kind"
    >
      <legend class="sr-only">{{ t(`reminders.kinds.${kind}`) }}</legend>
      <TickBox v-model="form.rules[kind].on">
        <span class="font-bold">{{ t(`reminders.kinds.${kind}`) }}</span>
      </TickBox>
      <template v-if="form.rules[kind].on">
        <FieldRow :id="`${kind}-days`" :label="t('reminders.when')">
          <select :id="`${kind}-days`" v-model="form.rules[kind].days" class="field w-auto!">
            <option v-for="days in daysOf(kind)" :key="days" :value="days">
              {{
                days === 0
                  ? t('reminders.onTheDay')
                  : t(kind === 'overdue' ? 'reminders.daysAfter' : 'reminders.daysBefore', {
                      ...counted(days),
                    })
              }}
            </option>
          </select>
        </FieldRow>
        <TextField
          :id="`${kind}-subject`"
          v-model="form.rules[kind].subject"
          :label="t('reminders.subject')"
          :error="problems[`rules.${kind}.subject`]"
        />
        <FieldRow
          :id="`${kind}-text`"
          :label="t('reminders.text')"
          :error="problems[`rules.${kind}.text`]"
        >
          <textarea
            :id="`${kind}-text`"
            v-model="form.rules[kind].text"
            class="field"
            :rows="form.rules[kind].text.split('\n').length + 1"
          />
        </FieldRow>
        <button type="button" class="min-h-11 underline" @click="usualAgain(kind)">
          {{ t('reminders.usualWords') }}
        </button>
      </template>
    </fieldset>
    <AlertLine :text="trouble" />
    <div class="flex items-center gap-4">
      <button type="submit" class="button button-lead" :disabled="busy">
        {{ t('reminders.save') }}
      </button>
      <span role="status">{{ done }}</span>
    </div>
  </form>
</template>

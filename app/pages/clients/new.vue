<script setup lang="ts">
import { saidOfIssue } from '#shared/contract/problems'
import { useForm } from '@tanstack/vue-form'
import { v4 as newId } from 'uuid'
import { attempt, DEFAULT_CADENCE_DAYS, parseHeight } from '#core'
import { clientFormSchema, type ClientForm } from '#shared/contract/clients'
import { clients } from '~/contract'

usePageTitle(() => t('clients.addClient'))

// Made once: sending it again after an answer that got lost adds nobody twice.
const id = newId()
const { trouble, problems: refusals, submit } = useSubmit()

const form = useForm({
  // Nothing is chosen at first, so that the sex of the equations is a choice and not a default.
  defaultValues: {
    name: '',
    sex: '' as ClientForm['sex'],
    birthDate: '',
    birthYear: '',
    height: '',
    cadenceDays: String(DEFAULT_CADENCE_DAYS),
  } satisfies ClientForm as ClientForm,
  validators: { onSubmit: clientFormSchema },
  onSubmit: async ({ value }) => {
    const body = {
      ...{ ...value, id, cadenceDays: Number(value.cadenceDays) },
      birthDate: value.birthDate || null,
      birthYear: value.birthYear.trim() === '' ? null : Number(value.birthYear),
      height: value.height.trim() || null,
    }
    const client = await submit(() => callApi(clients.add, { body }))
    if (client) await navigateTo(`/clients/${client.id}`)
  },
})

const namesake = useNamesake(form.useStore((state) => state.values.name))

const sexes = sexChoices()

/** What a field of the form gives its input: the words are of its first problem, its own or the server's. */
function bound(
  field: { name: string; handleChange(to: never): void },
  state: { value: string; meta: { errors: unknown[] } },
) {
  const first = state.meta.errors[0] as Parameters<typeof saidOfIssue>[0] | undefined
  return {
    id: field.name,
    error: first ? tell(saidOfIssue(first)) : refusals.value[field.name],
    modelValue: state.value,
    'onUpdate:modelValue': field.handleChange as (to: string) => void,
  }
}

/** How a typed height was understood, shown back while it is typed. */
function readBack(typed: string) {
  const height = typed ? attempt(() => parseHeight(typed)) : undefined
  return height?.ok
    ? t('clients.readAsReadasHeightCm', {
        readAs: height.value.readAs,
        height: height.value.value.toFixed(1),
      })
    : t('clients.n51070178Cm')
}
</script>

<template>
  <main class="mx-auto max-w-xl px-4 py-6 sm:px-6">
    <h1 class="pb-5 text-[40px]">{{ t('clients.addClient') }}</h1>
    <form class="space-y-5" novalidate @submit.prevent="form.handleSubmit()">
      <form.Field v-slot="{ field, state }" name="name">
        <TextField v-bind="bound(field, state)" :label="t('clients.name')" autofocus />
      </form.Field>
      <p v-if="namesake" role="status" class="caution" data-test="namesake">
        {{ t('clients.namesake', { name: namesake.name }) }}
        <NuxtLink :to="`/clients/${namesake.id}`" class="underline">
          {{ t('clients.viewNamesake') }}
        </NuxtLink>
      </p>
      <form.Field v-slot="{ field, state }" name="sex">
        <FieldRow id="sex" :error="bound(field, state).error">
          <ChoiceRow
            :label="t('clients.sexUsedEquations')"
            :options="sexes"
            :model-value="state.value"
            @update:model-value="field.handleChange($event)"
          />
        </FieldRow>
      </form.Field>
      <div class="grid grid-cols-2 gap-4">
        <form.Field v-slot="{ field, state }" name="birthDate">
          <TextField v-bind="bound(field, state)" :label="t('clients.birthDate')" type="date" />
        </form.Field>
        <form.Field v-slot="{ field, state }" name="birthYear">
          <TextField
            v-bind="bound(field, state)"
            :label="t('clients.orYearAlone')"
            inputmode="numeric"
            maxlength="4"
          />
        </form.Field>
      </div>
      <p class="text-faded">
        {{ t('clients.bothMayStayEmptyHeight') }}
      </p>
      <form.Field v-slot="{ field, state }" name="height">
        <TextField
          v-bind="bound(field, state)"
          :label="t('clients.height')"
          :hint="readBack(state.value)"
        />
      </form.Field>
      <form.Field v-slot="{ field, state }" name="cadenceDays">
        <TextField
          v-bind="bound(field, { ...state, value: String(state.value) })"
          :label="t('clients.daysBetweenCheckIns')"
          inputmode="numeric"
        />
      </form.Field>
      <AlertLine :text="trouble" />
      <button type="submit" class="button button-lead">{{ t('clients.addClient2') }}</button>
    </form>
  </main>
</template>

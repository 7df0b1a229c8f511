<script setup lang="ts">
import { useForm } from '@tanstack/vue-form'
import { v4 as newId } from 'uuid'
import { attempt, DEFAULT_CADENCE_DAYS, parseHeight } from '#core'
import { clientFormSchema, type ClientForm } from '#shared/contract/clients'
import { clients } from '~/contract'

useHead({ title: 'Add a client · Oak Pinch' })

// Made once: sending it again after an answer that got lost adds nobody twice.
const id = newId()
const { trouble, problems: refusals, submit } = useSubmit()

const form = useForm({
  // Nothing is chosen at first, so that the sex of the equations is a choice and not a default.
  defaultValues: {
    name: '',
    sex: '' as ClientForm['sex'],
    birthDate: '',
    height: '',
    cadenceDays: String(DEFAULT_CADENCE_DAYS),
  } satisfies ClientForm as ClientForm,
  validators: { onSubmit: clientFormSchema },
  onSubmit: async ({ value }) => {
    const body = { ...value, id, cadenceDays: Number(value.cadenceDays) }
    const client = await submit(() => callApi(clients.add, { body }))
    if (client) await navigateTo(`/clients/${client.id}`)
  },
})

const sexes = [
  { value: 'female', name: 'Female' },
  { value: 'male', name: 'Male' },
] as { value: 'female' | 'male'; name: string }[]

/** The words of the first problem of a field, from the form's own check or from the server. */
function wordsOf(name: string, errors: unknown[]) {
  const first = errors[0] as { message?: string } | undefined
  return first?.message ?? refusals.value[name]
}

/** How a typed height was understood, shown back while it is typed. */
function readBack(typed: string) {
  const height = typed ? attempt(() => parseHeight(typed)) : undefined
  return height?.ok
    ? `Read as ${height.value.readAs}, ${height.value.value.toFixed(1)} cm.`
    : '5\'10", 70 in, 178 cm or 1.78 m'
}
</script>

<template>
  <main class="mx-auto max-w-xl px-4 py-6 sm:px-6">
    <h1 class="pb-5 text-[40px]">Add a client</h1>
    <form class="space-y-5" novalidate @submit.prevent="form.handleSubmit()">
      <form.Field v-slot="{ field, state }" name="name">
        <TextField
          id="name"
          label="Name"
          :error="wordsOf('name', state.meta.errors)"
          autofocus
          :model-value="state.value"
          @update:model-value="field.handleChange($event)"
        />
      </form.Field>
      <form.Field v-slot="{ field, state }" name="sex">
        <FieldRow id="sex" :error="wordsOf('sex', state.meta.errors)">
          <ChoiceRow
            label="Sex used by the equations"
            :options="sexes"
            :model-value="state.value"
            @update:model-value="field.handleChange($event)"
          />
        </FieldRow>
      </form.Field>
      <form.Field v-slot="{ field, state }" name="birthDate">
        <TextField
          id="birthDate"
          label="Birth date"
          :error="wordsOf('birthDate', state.meta.errors)"
          type="date"
          :model-value="state.value"
          @update:model-value="field.handleChange($event)"
        />
      </form.Field>
      <form.Field v-slot="{ field, state }" name="height">
        <TextField
          id="height"
          label="Height"
          :hint="readBack(state.value)"
          :error="wordsOf('height', state.meta.errors)"
          :model-value="state.value"
          @update:model-value="field.handleChange($event)"
        />
      </form.Field>
      <form.Field v-slot="{ field, state }" name="cadenceDays">
        <TextField
          id="cadenceDays"
          label="Days between check-ins"
          :error="wordsOf('cadenceDays', state.meta.errors)"
          inputmode="numeric"
          :model-value="String(state.value)"
          @update:model-value="field.handleChange($event)"
        />
      </form.Field>
      <AlertLine :text="trouble" />
      <button type="submit" class="button button-lead">Add the client</button>
    </form>
  </main>
</template>

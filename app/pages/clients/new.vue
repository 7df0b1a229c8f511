<script setup lang="ts">
import { useForm } from '@tanstack/vue-form'
import { v4 as newId } from 'uuid'
import { attempt, DEFAULT_CADENCE_DAYS, parseHeight } from '#core'
import { clientFormSchema, type ClientForm } from '#shared/contract/clients'
import { clients } from '#shared/contract/routes/clients'

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
        <FieldRow id="name" label="Name" :error="wordsOf('name', state.meta.errors)">
          <input
            id="name"
            class="field"
            autocomplete="off"
            autofocus
            :value="state.value"
            :aria-invalid="!!wordsOf('name', state.meta.errors)"
            aria-describedby="name-error"
            @input="field.handleChange(($event.target as HTMLInputElement).value)"
          />
        </FieldRow>
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
        <FieldRow
          id="birthDate"
          label="Birth date"
          :error="wordsOf('birthDate', state.meta.errors)"
        >
          <input
            id="birthDate"
            class="field"
            type="date"
            :value="state.value"
            :aria-invalid="!!wordsOf('birthDate', state.meta.errors)"
            aria-describedby="birthDate-error"
            @input="field.handleChange(($event.target as HTMLInputElement).value)"
          />
        </FieldRow>
      </form.Field>
      <form.Field v-slot="{ field, state }" name="height">
        <FieldRow
          id="height"
          label="Height"
          :hint="readBack(state.value)"
          :error="wordsOf('height', state.meta.errors)"
        >
          <input
            id="height"
            class="field"
            autocomplete="off"
            :value="state.value"
            :aria-invalid="!!wordsOf('height', state.meta.errors)"
            aria-describedby="height-hint height-error"
            @input="field.handleChange(($event.target as HTMLInputElement).value)"
          />
        </FieldRow>
      </form.Field>
      <form.Field v-slot="{ field, state }" name="cadenceDays">
        <FieldRow
          id="cadenceDays"
          label="Days between check-ins"
          :error="wordsOf('cadenceDays', state.meta.errors)"
        >
          <input
            id="cadenceDays"
            class="field"
            inputmode="numeric"
            autocomplete="off"
            :value="String(state.value)"
            :aria-invalid="!!wordsOf('cadenceDays', state.meta.errors)"
            aria-describedby="cadenceDays-error"
            @input="field.handleChange(($event.target as HTMLInputElement).value)"
          />
        </FieldRow>
      </form.Field>
      <AlertLine :text="trouble" />
      <button type="submit" class="button button-lead">Add the client</button>
    </form>
  </main>
</template>

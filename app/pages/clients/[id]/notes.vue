<script setup lang="ts">
import type { ClientDetails } from '#shared/contract/client-side'
import { details as routes } from '~/contract'

const { id, view, error, data } = await useClientPart('client.notes', routes.view)
const details = computed({
  get: () => data.value as ClientDetails,
  set: (now) => (data.value = now),
})
</script>

<template>
  <ClientPage :view :error>
    <div v-if="view && data" class="grid gap-x-12 gap-y-8 lg:grid-cols-2">
      <div class="space-y-8">
        <DetailsForm v-model="details" :client-id="id" />
        <AppointmentList v-model="details" :client-id="id" :due-on="view.client.nextDueOn" />
      </div>
      <SessionNotes v-model="details" :client-id="id" />
    </div>
  </ClientPage>
</template>

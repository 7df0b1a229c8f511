<script setup lang="ts">
import { checkInSchema, checkInViewSchema, type CheckInView } from '#shared/contract/check-ins'
import type { Conversion } from '#core'

const route = useRoute()
const api = useApi()
const id = String(route.params.checkIn)
const { data, error } = await useAsyncData(`check-in-${id}`, () =>
  api.get(`/api/check-ins/${id}`, checkInViewSchema),
)
const view = computed(() => data.value as CheckInView)
const trouble = ref('')

useHead({ title: () => `${data.value?.client.name ?? 'Check-in'}, result · Oak Pinch` })

async function changeConversion(conversion: Conversion) {
  trouble.value = ''
  try {
    const changed = await api.patch(`/api/check-ins/${id}`, checkInSchema, { conversion })
    data.value = { ...view.value, checkIn: { ...view.value.checkIn, ...changed } }
  } catch (failure) {
    trouble.value = (failure as Error).message
  }
}
</script>

<template>
  <main class="mx-auto max-w-5xl px-4 py-6 sm:px-8">
    <template v-if="error">
      <h1 class="pb-3 text-3xl">This check-in cannot be shown</h1>
      <p role="alert">{{ error.message }}</p>
    </template>
    <template v-else>
      <h1 class="pb-2 text-[30px]">
        <NuxtLink
          :to="`/clients/${view.client.id}`"
          class="underline decoration-line underline-offset-4"
          >{{ view.client.name }}</NuxtLink
        >
      </h1>
      <ResultSheet
        :client="view.client"
        :setup="view.setup"
        :check-in="view.checkIn"
        :earlier="view.earlier"
        @conversion="changeConversion"
      />
      <div class="pt-6 print:hidden">
        <CheckInRepair :check-in="view.checkIn" @done="navigateTo(`/clients/${view.client.id}`)" />
      </div>
      <p v-if="trouble" role="alert" class="pt-3 font-bold text-clay">{{ trouble }}</p>
    </template>
  </main>
</template>

<script setup lang="ts">
import { measuredOf, type Conversion } from '#core'
import type { CheckInView } from '#shared/contract/check-ins'
import { checkIns } from '~/contract'

const route = useRoute()
const params = { id: String(route.params.checkIn) }
const { data, error } = await useAsyncData(`check-in-${params.id}`, () =>
  callApi(checkIns.view, { params }),
)
const view = computed(() => data.value as CheckInView)
const judged = computed(() => {
  const { gym, ownErrors, weighIns, checkIn, earlier } = view.value
  const known = { testers: gym.testers, instruments: gym.instruments, ownErrors, weighIns }
  return { now: measuredOf(checkIn, known), earlier: earlier.map((c) => measuredOf(c, known)) }
})
const { trouble, submit } = useSubmit()

usePageTitle(() => t('client.resultOf', { name: data.value?.client.name ?? t('client.check') }))

async function changeConversion(conversion: Conversion) {
  const { revision } = view.value.checkIn
  const body = { conversion, revision }
  const changed = await submit(() => callApi(checkIns.change, { params, body }))
  if (changed) data.value = { ...view.value, checkIn: { ...view.value.checkIn, ...changed } }
}
</script>

<template>
  <main class="mx-auto max-w-5xl px-4 py-6 sm:px-8">
    <template v-if="error">
      <h1 class="pb-3 text-3xl">{{ t('client.thisCheckCannotShown') }}</h1>
      <LoadTrouble :error />
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
        :check-in="judged.now"
        :earlier="judged.earlier"
        :weigh-ins="view.weighIns"
        :phase-starts="view.phaseStarts"
        :gym-figures="view.gym.figures?.own"
        @conversion="changeConversion"
      />
      <div class="pt-6 print:hidden">
        <CheckInRepair
          :check-in="view.checkIn"
          :client-id="view.client.id"
          :voided="view.checkIn.voided !== null"
          @done="navigateTo(`/clients/${view.client.id}`)"
        />
      </div>
      <AlertLine :text="trouble" />
    </template>
  </main>
</template>

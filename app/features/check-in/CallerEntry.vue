<script setup lang="ts">
import { v4 as newId } from 'uuid'
import { protocolOf, techniqueOf, type SiteStep } from '#core'
import type { CallerView } from '#shared/contract/check-ins'
import type { Gym } from '#shared/contract/equipment'
import { gym as gymRoutes } from '~/contract'
import { theOutbox } from './log'
import { readingOp } from './operations'
import { stampReading, typedReading } from './stamp'

/** Types what is called, for whoever measures: into the box in hand, kept in this browser until the server has it. */
const props = defineProps<{ checkIn: CallerView['checkIn']; step: SiteStep }>()

const outbox = theOutbox()
const unit = useLengthUnit()
const text = ref('')
const problem = ref('')
const field = useTemplateRef<HTMLInputElement>('field')
/** With their checks: where readings are put right, those that are typed here are too. */
let instruments: Gym['instruments'] = []
onMounted(async () => {
  field.value?.focus()
  instruments = await callApi(gymRoutes.view, {}).then(
    (gym) => gym.instruments,
    () => [],
  )
})

function take() {
  const { site } = props.step
  const { typed, problem: said } = readSite(site, text.value, unit.value)
  problem.value = said ?? ''
  if (!typed || said !== undefined) return
  const protocol = protocolOf(props.checkIn)
  const located = {
    ...typedReading(props.step, typed, protocol.standard),
    technique: techniqueOf(protocol, site),
  }
  const made = { id: newId(), takenAt: new Date().toISOString() }
  const reading = stampReading(located, props.checkIn, props.checkIn.readings, made, instruments)
  outbox.add(readingOp(reading))
  void outbox.send(reading.checkInId)
  text.value = ''
}

const waiting = computed(() => outbox.waitingOf(props.checkIn.id).length)
const refused = computed(() => outbox.setAsideOf(props.checkIn.id))
function dropRefused() {
  for (const { id } of refused.value) outbox.drop(id)
}
</script>

<template>
  <form class="pt-5" novalidate @submit.prevent="take">
    <label for="called" class="block pb-1 text-xl">{{ t('caller.typeHere') }}</label>
    <div class="flex gap-3">
      <input
        id="called"
        ref="field"
        v-model="text"
        class="field w-48 text-[40px]! text-ink"
        inputmode="decimal"
        autocomplete="off"
        :aria-invalid="problem !== ''"
        aria-describedby="called-problem"
      />
      <button type="submit" class="button button-lead text-2xl">{{ t('caller.take') }}</button>
    </div>
    <p id="called-problem" role="alert" class="min-h-8 pt-2 text-xl font-bold text-lamp">
      {{ problem }}
    </p>
    <p role="status" class="text-xl">
      {{ waiting ? t('caller.waits', { count: waiting }) : '' }}
    </p>
    <p v-for="{ id, setAside } in refused" :key="id" class="text-xl font-bold text-lamp">
      {{ setAside!.message }}
    </p>
    <button v-if="refused.length" type="button" class="button" @click="dropRefused">
      {{ t('caller.understood') }}
    </button>
  </form>
</template>

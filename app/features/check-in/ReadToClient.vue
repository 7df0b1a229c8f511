<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { ADULT, leastAgeOf, readingsAtLeast } from '#core'

/** What the client is told before the first reading, what is done with care, and the consent. */
const store = useCheckInStore()
const { client, checkIn, protocol, sensitive } = storeToRefs(store)
const called = computed(() => firstName(client.value!.name))
const minor = computed(
  () => (leastAgeOf(client.value!, checkIn.value!.measuredOn) ?? ADULT) < ADULT,
)

/* Consent has a key of its own: C. */
const consent = computed(() => checkIn.value!.consent)
function agree() {
  const by = minor.value ? ('guardian' as const) : ('client' as const)
  store.updateCheckIn({ consent: consent.value ? null : { by, at: new Date().toISOString() } })
}
useEventListener('keydown', (event: KeyboardEvent) => {
  const typing = event.target instanceof HTMLInputElement
  if (typing || event.ctrlKey || event.metaKey || event.altKey) return
  if (event.key.toLowerCase() === 'c') agree()
})

const script = computed(() => {
  const { sex, showPercentages } = client.value!
  const { folds, girths, bones, foldTrials, girthTrials, equations } = protocol.value
  return scriptFor({
    ...{ folds: folds[sex].length, girths: girths[sex].length, bones: bones[sex].length },
    ...{ rounds: readingsAtLeast(foldTrials), girthRounds: readingsAtLeast(girthTrials) },
    estimates: showPercentages && equations[sex].length > 0,
    sensitive: sensitive.value,
  })
})
</script>

<template>
  <section aria-labelledby="hear-first">
    <h3 id="hear-first" class="border-b-2 border-ink pb-1 text-xl">
      {{ t('checkIn.readToClient') }}
    </h3>
    <p class="pt-2" data-test="script">{{ script.join(' ') }}</p>
    <p v-if="sensitive" class="mt-2 caution" data-test="sensitive">
      {{ t('checkIn.careAwayFromMirrorNo') }}
      <template v-if="protocol.folds[client!.sex].length">
        {{ t('checkIn.girthsAloneDoAsWell') }}
        <button type="button" class="button ml-1" @click="store.choose('home-weekly')">
          {{ t('checkIn.tapeOnly') }}
        </button>
      </template>
    </p>
    <button
      type="button"
      class="button mt-3"
      :class="{ 'button-lead': consent }"
      :aria-pressed="!!consent"
      data-test="consent"
      @click="agree"
    >
      <kbd class="key mr-2">C</kbd>
      <template v-if="consent">
        {{
          consent.by === 'guardian'
            ? t('checkIn.consentByGuardian')
            : t('checkIn.consentGiven', { name: called })
        }}
      </template>
      <template v-else>
        {{ minor ? t('checkIn.askGuardian') : t('checkIn.askConsent', { name: called }) }}
      </template>
    </button>
  </section>
</template>

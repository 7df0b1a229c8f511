<script setup lang="ts">
/** A field that is not on record, to see how what a caliper or tape types arrives. */
const text = ref('')
const all = ref<string[]>([])
const sent = useSentValues({
  open: () => true,
  show: (now) => (text.value = now),
  take(now) {
    if (text.value !== now) return false
    all.value = [now, ...all.value].slice(0, 6)
    text.value = ''
    return true
  },
})
</script>

<template>
  <div>
    <label for="typed-trial" class="block font-bold">{{ t('devices.trial') }}</label>
    <div class="flex flex-wrap items-baseline gap-x-4">
      <input
        id="typed-trial"
        v-model="text"
        class="field figure w-32 text-[26px]!"
        inputmode="decimal"
        autocomplete="off"
        maxlength="12"
      />
      <SentLine :sent />
    </div>
    <p v-if="all.length" class="pt-2 text-faded">
      {{ t('devices.arrived') }}
      <span class="figure text-[19px] text-ink">{{ all.join(' · ') }}</span>
    </p>
  </div>
</template>
